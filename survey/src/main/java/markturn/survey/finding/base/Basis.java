package markturn.survey.finding.base;

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
 * <p>Each part is told by a digest that is taken field by field: a record that gains a field must not open every
 * decision ever made. The digest (FNV-1a, 64 bits) tells a change; it is no seal against somebody who wants to forge one.
 *
 * @param digests by part, in words as sentences name them
 */
public record Basis(Map<String, String> digests) {
    /** Key of {@link Decision#on}: the basis as text. */
    public static final String KEY = "basis";

    private static final String VERSION = "1";

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
        List<Reading> readings = target.isEmpty()
                ? setup.readings()
                : setup.readings().stream()
                        .filter(r -> r.target().equals(target))
                        .toList();
        Digest ofReadings = new Digest();
        Digest heights = new Digest();
        height(heights, setup.instrumentHeight());
        for (Reading reading : readings) {
            reading(ofReadings, reading);
            height(heights, reading.targetHeight());
        }
        Digest air = new Digest();
        setup.atmosphere().ifPresent(a -> air(air, a));
        earth(air, job);
        Map<String, String> digests = new LinkedHashMap<>();
        digests.put("readings", ofReadings.text());
        digests.put("heights", heights.text());
        digests.put("instrument", instrument(job, setup).text());
        digests.put("reflectors", reflectors(job, readings).text());
        digests.put("air", air.text());
        digests.put("setting-up", settingUp(setup).text());
        digests.put("control", control(job, setup, readings).text());
        return new Basis(digests);
    }

    /** Of every setup of a job: what an adopted coordinate rests on. */
    public static Basis of(Job job) {
        Map<String, Digest> all = new LinkedHashMap<>();
        for (Setup setup : job.setups()) {
            of(job, setup)
                    .digests
                    .forEach((part, digest) -> all.computeIfAbsent(part, p -> new Digest())
                            .add(setup.name())
                            .add(digest));
        }
        Map<String, String> digests = new LinkedHashMap<>();
        all.forEach((part, digest) -> digests.put(part, digest.text()));
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

    /** The same without one of its parts: what the decision itself changes cannot open it. */
    public Basis without(String part) {
        Map<String, String> others = new LinkedHashMap<>(digests);
        others.remove(part);
        return new Basis(others);
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

    /** Whether it stands counts, not the words of the reason; nor when it was read, which nothing is computed from but the drift. */
    private static void reading(Digest to, Reading r) {
        to.add(r.target())
                .add(r.role().name())
                .add(r.set().orElse(0))
                .add(r.face().name())
                .add(r.circle().written())
                .add(r.zenith().map(z -> z.written()).orElse(""))
                .length(r.slope())
                .add(r.reflector())
                .length(r.centringStdDev())
                .add(r.stands() ? "stands" : "struck");
        r.applied().ifPresent(a -> to.add("applied").length(a.constant()).length(a.ppm()));
        r.offset()
                .ifPresent(o ->
                        to.add("offset").length(o.along()).length(o.across()).length(o.up()));
    }

    private static void height(Digest to, Optional<MeasuredHeight> height) {
        to.add(height.isPresent() ? "height" : "none");
        height.ifPresent(h -> to.length(h.value()).length(h.again()).add(h.to().name()));
    }

    private static Digest instrument(Job job, Setup setup) {
        Digest to = new Digest().add(setup.instrument());
        job.instruments().stream()
                .filter(i -> i.name().equals(setup.instrument()))
                .findFirst()
                .ifPresent(i -> instrument(to, i));
        return to;
    }

    private static void instrument(Digest to, Instrument i) {
        to.angle(i.directionStdDev())
                .angle(i.zenithStdDev())
                .length(i.distanceStdDev())
                .length(i.distancePpm())
                .length(i.centringStdDev())
                .length(i.heightStdDev())
                .length(i.wavelength());
        air(to, i.reference());
        notch(to, i.notch());
    }

    private static Digest reflectors(Job job, List<Reading> readings) {
        TreeSet<String> names = new TreeSet<>();
        readings.forEach(r -> names.add(r.reflector()));
        Digest to = new Digest();
        for (String name : names) {
            Reflector r = job.reflector(name);
            to.add(r.name()).length(r.constant()).length(r.centringStdDev()).length(r.heightStdDev());
            notch(to, r.notch());
        }
        return to;
    }

    private static void notch(Digest to, Optional<Notch> notch) {
        to.add(notch.isPresent() ? "notch" : "none");
        notch.ifPresent(n -> to.length(n.radius()).length(n.belowAxis()));
    }

    private static void air(Digest to, Atmosphere air) {
        to.add("air").length(air.temperature()).length(air.pressure()).length(air.vapour());
    }

    private static void earth(Digest to, Job job) {
        Earth earth = job.earth();
        to.length(earth.radius())
                .length(earth.refraction())
                .add(earth.curvature() ? "curved" : "flat")
                .length(earth.scaleFactor())
                .add(earth.projection().map(p -> p.definition()).orElse(""))
                .add(job.planOnly() ? "plan only" : "");
    }

    private static Digest settingUp(Setup setup) {
        Digest to = new Digest()
                .add(setup.station())
                .add(setup.method().name())
                .length(setup.settingUp().centringStdDev());
        setup.tilt()
                .ifPresent(
                        t -> to.add("tilt").angle(t.along()).angle(t.across()).add(t.compensated() ? "on" : "off"));
        Setup.Orientation by = setup.orientation();
        by.sights().forEach(to::add);
        by.leaveOut()
                .forEach(l -> to.add("less")
                        .add(l.target())
                        .add(l.only().map(Enum::name).orElse("")));
        if (by instanceof Setup.ByAzimuth given) {
            to.add("azimuth").add(given.azimuth().written());
        } else if (by instanceof Setup.ByFeature feature) {
            to.add("feature")
                    .length(feature.northing())
                    .length(feature.easting())
                    .length(feature.stdDev());
        } else if (by instanceof Setup.ByResection free && free.solveScale()) {
            to.add("scale");
        }
        return to;
    }

    /** The station and whatever is sighted, by true names, as far as its coordinates are given. */
    private static Digest control(Job job, Setup setup, List<Reading> readings) {
        TreeSet<String> names = new TreeSet<>();
        names.add(job.trueName(setup.station()));
        setup.orientation().sights().forEach(sight -> names.add(job.trueName(sight)));
        readings.forEach(r -> names.add(job.trueName(r.target())));
        Digest to = new Digest();
        for (String name : names) {
            job.mark(name).filter(m -> m.given().isPresent()).ifPresent(m -> mark(to, m));
        }
        return to;
    }

    private static void mark(Digest to, Mark m) {
        Mark.Coordinates at = m.given().orElseThrow();
        to.add(m.name()).length(at.northing()).length(at.easting()).length(at.elevation());
        m.stdDev()
                .ifPresent(s -> to.add("observed")
                        .length(s.northing())
                        .length(s.easting())
                        .length(s.elevation()));
    }

    /** A digest that grows field by field (FNV-1a). Each field ends with a sign that no text holds. */
    private static final class Digest {
        private static final long START = 0xcbf29ce484222325L;
        private static final long PRIME = 0x100000001b3L;
        private static final int END = 0xFFFF;
        private static final int NOTHING = 0xFFFE;

        private long value = START;

        private void mix(int sign) {
            value = (value ^ sign) * PRIME;
        }

        Digest add(String text) {
            for (int i = 0; i < text.length(); i++) {
                mix(text.charAt(i));
            }
            mix(END);
            return this;
        }

        Digest add(long number) {
            for (int shift = 0; shift < Long.SIZE; shift += Short.SIZE) {
                mix((int) (number >>> shift) & 0xFFFF);
            }
            return this;
        }

        Digest length(OptionalDouble number) {
            if (number.isPresent()) {
                return length(number.getAsDouble());
            }
            mix(NOTHING);
            return this;
        }

        /** To a ten-millionth: what comes back from a file differs in its last bits, what somebody changes does not. */
        Digest length(double number) {
            return add(Math.round(number * 1e7));
        }

        Digest angle(double radians) {
            return add(Math.round(radians * 1e10));
        }

        String text() {
            return Long.toHexString(value);
        }
    }
}
