package markturn.survey.finding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;

/**
 * What a decision on a setup rests on, part by part: its readings, heights, instrument, reflectors, air, how it stands, and the control it
 * uses. A decision carries this; where a part has changed since, the decision holds no longer and can say what changed.
 *
 * <p>Each part is told by a digest of a text that is written out field by field: a record that gains a field must not open every
 * decision ever made. The digest (FNV-1a, 64 bits) tells a change; it is no seal against somebody who wants to forge one.
 *
 * @param digests by part, in words as sentences name them
 */
public record Basis(Map<String, String> digests) {
    /** Key of {@link Decision#on}: the basis as text. */
    public static final String KEY = "basis";

    private static final String VERSION = "1";
    private static final long START = 0xcbf29ce484222325L;
    private static final long PRIME = 0x100000001b3L;

    public Basis {
        digests = Map.copyOf(new LinkedHashMap<>(digests));
    }

    /** Of a whole setup. */
    public static Basis of(Job job, Setup setup) {
        return of(job, setup, "");
    }

    /**
     * Of a setup and one of its targets.
     *
     * @param target whose readings alone count; empty for all
     */
    public static Basis of(Job job, Setup setup, String target) {
        List<Reading> readings = setup.readings().stream()
                .filter(r -> target.isEmpty() || r.target().equals(target))
                .toList();
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("readings", lines(readings, Basis::reading));
        parts.put("heights", height(setup.instrumentHeight()) + ";" + lines(readings, r -> height(r.targetHeight())));
        parts.put("instrument", instrument(job, setup));
        parts.put("reflectors", lines(reflectors(job, readings), Basis::reflector));
        parts.put("air", setup.atmosphere().map(Basis::air).orElse("") + ";" + earth(job));
        parts.put("setting-up", settingUp(setup));
        parts.put("control", lines(control(job, setup, readings), Basis::mark));
        Map<String, String> digests = new LinkedHashMap<>();
        parts.forEach((part, text) -> digests.put(part, digest(text)));
        return new Basis(digests);
    }

    /** The basis that a decision carries; empty where it carries none, as those made before there was one. */
    public static Optional<Basis> of(Decision decision) {
        return read(decision.concerning(KEY));
    }

    /** Reads what {@link #text} wrote; empty for anything else. */
    public static Optional<Basis> read(String text) {
        String[] words = text.split(" ");
        if (words.length < 2 || !words[0].equals(VERSION)) {
            return Optional.empty();
        }
        Map<String, String> digests = new LinkedHashMap<>();
        for (int i = 1; i < words.length; i++) {
            int at = words[i].indexOf('=');
            if (at < 1) {
                return Optional.empty();
            }
            digests.put(words[i].substring(0, at), words[i].substring(at + 1));
        }
        return Optional.of(new Basis(digests));
    }

    /** As text, as a decision and a page carry it. */
    public String text() {
        StringBuilder text = new StringBuilder(VERSION);
        for (String part : new TreeSet<>(digests.keySet())) {
            text.append(' ').append(part).append('=').append(digests.get(part));
        }
        return text.toString();
    }

    /** What differs from another, in words: "readings and heights"; empty where nothing does. */
    public String changed(Basis other) {
        List<String> changed = new ArrayList<>();
        for (String part : new TreeSet<>(digests.keySet())) {
            if (!digests.get(part).equals(other.digests.get(part))) {
                changed.add(part.replace('-', ' '));
            }
        }
        int last = changed.size() - 1;
        return last < 1
                ? String.join("", changed)
                : String.join(", ", changed.subList(0, last)) + " and " + changed.get(last);
    }

    private interface Written<T> {
        String of(T one);
    }

    private static <T> String lines(List<T> all, Written<T> written) {
        StringBuilder text = new StringBuilder();
        all.forEach(one -> text.append(written.of(one)).append('\n'));
        return text.toString();
    }

    /** Whether it stands counts, not the words of the reason; nor when it was read, which nothing is computed from but the drift. */
    private static String reading(Reading r) {
        return String.join(
                "|",
                r.target(),
                r.role().name(),
                r.set().isPresent() ? "" + r.set().getAsInt() : "",
                r.face().name(),
                r.circle().written(),
                r.zenith().map(z -> z.written()).orElse(""),
                number(r.slope()),
                r.reflector(),
                r.applied()
                        .map(a -> number(a.constant()) + "," + number(a.ppm()))
                        .orElse(""),
                r.offset()
                        .map(o -> number(o.along()) + "," + number(o.across()) + "," + number(o.up()))
                        .orElse(""),
                number(r.centringStdDev()),
                r.stands() ? "stands" : "struck");
    }

    private static String height(Optional<MeasuredHeight> height) {
        return height.map(h -> number(h.value()) + "," + number(h.again()) + "," + h.to().name())
                .orElse("");
    }

    private static String instrument(Job job, Setup setup) {
        return job.instruments().stream()
                .filter(i -> i.name().equals(setup.instrument()))
                .map(Basis::instrument)
                .findFirst()
                .orElse(setup.instrument());
    }

    private static String instrument(Instrument i) {
        return String.join(
                "|",
                i.name(),
                angle(i.directionStdDev()),
                angle(i.zenithStdDev()),
                number(i.distanceStdDev()),
                number(i.distancePpm()),
                number(i.centringStdDev()),
                number(i.heightStdDev()),
                number(i.wavelength()),
                air(i.reference()),
                notch(i.notch()));
    }

    private static List<Reflector> reflectors(Job job, List<Reading> readings) {
        return readings.stream()
                .map(Reading::reflector)
                .distinct()
                .sorted()
                .map(job::reflector)
                .toList();
    }

    private static String reflector(Reflector r) {
        return String.join(
                "|",
                r.name(),
                number(r.constant()),
                number(r.centringStdDev()),
                number(r.heightStdDev()),
                notch(r.notch()));
    }

    private static String notch(Optional<Notch> notch) {
        return notch.map(n -> number(n.radius()) + "," + number(n.belowAxis())).orElse("");
    }

    private static String air(Atmosphere air) {
        return number(air.temperature()) + "," + number(air.pressure()) + "," + number(air.vapour());
    }

    private static String earth(Job job) {
        Earth earth = job.earth();
        return String.join(
                "|",
                number(earth.radius()),
                number(earth.refraction()),
                "" + earth.curvature(),
                number(earth.scaleFactor()),
                earth.projection().map(p -> p.definition()).orElse(""),
                "" + job.planOnly());
    }

    private static String settingUp(Setup setup) {
        return String.join(
                "|",
                setup.station(),
                setup.method().name(),
                setup.tilt()
                        .map(t -> angle(t.along()) + "," + angle(t.across()) + "," + t.compensated())
                        .orElse(""),
                number(setup.settingUp().centringStdDev()),
                orientation(setup.orientation()));
    }

    private static String orientation(Setup.Orientation by) {
        String leftOut = lines(
                by.leaveOut(), l -> l.target() + "," + l.only().map(Enum::name).orElse(""));
        if (by instanceof Setup.ByAzimuth given) {
            return "azimuth " + given.azimuth().written() + " " + given.sight();
        }
        if (by instanceof Setup.ByFeature feature) {
            return "feature " + feature.sight() + " " + number(feature.northing()) + " " + number(feature.easting())
                    + " " + number(feature.stdDev());
        }
        boolean scale = by instanceof Setup.ByResection free && free.solveScale();
        return String.join(",", by.sights()) + " less " + leftOut + (scale ? " scale" : "");
    }

    /** The station and whatever is sighted, by true names, as far as its coordinates are given. */
    private static List<Mark> control(Job job, Setup setup, List<Reading> readings) {
        TreeSet<String> names = new TreeSet<>();
        names.add(job.trueName(setup.station()));
        setup.orientation().sights().forEach(sight -> names.add(job.trueName(sight)));
        readings.forEach(r -> names.add(job.trueName(r.target())));
        return names.stream()
                .flatMap(name -> job.mark(name).stream())
                .filter(m -> m.given().isPresent())
                .toList();
    }

    private static String mark(Mark m) {
        Mark.Coordinates at = m.given().orElseThrow();
        return String.join(
                "|",
                m.name(),
                number(at.northing()),
                number(at.easting()),
                number(at.elevation()),
                m.stdDev()
                        .map(s -> number(s.northing()) + "," + number(s.easting()) + "," + number(s.elevation()))
                        .orElse(""));
    }

    private static String number(OptionalDouble number) {
        return number.isPresent() ? number(number.getAsDouble()) : "";
    }

    /** To a ten-millionth: what comes back from a file differs in its last bits, what somebody changes does not. */
    private static String number(double number) {
        return "" + Math.round(number * 1e7);
    }

    private static String angle(double radians) {
        return "" + Math.round(radians * 1e10);
    }

    private static String digest(String text) {
        long digest = START;
        for (int i = 0; i < text.length(); i++) {
            digest = (digest ^ text.charAt(i)) * PRIME;
        }
        return Long.toHexString(digest);
    }
}
