package markturn.formats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * What LandXML has a word for and what not: settings of the whole job and of a setup travel in properties, which other readers pass over;
 * what cannot travel is named, on the way out and on the way in.
 */
final class LandXmlLimits {
    private LandXmlLimits() {}

    /** The settings of the job as labels and values, in its unit of length. */
    static String[] settings(Job job) {
        double unit = job.units().length().metres();
        Earth earth = job.earth();
        List<String> all = new ArrayList<>(List.of(
                "radius", exact(earth.radius() / unit),
                "refraction", exact(earth.refraction()),
                "curvature", String.valueOf(earth.curvature()),
                "scaleFactor", exact(earth.scaleFactor()),
                "classOfWork", job.classOfWork().preset().key()));
        earth.projection()
                .ifPresent(p ->
                        all.addAll(List.of("projection", p.definition(), "meanHeight", exact(p.meanHeight() / unit))));
        List<String> left = leftBehind(job);
        if (!left.isEmpty()) {
            all.addAll(List.of("leftBehind", String.join("; ", left)));
        }
        return all.toArray(String[]::new);
    }

    /** What a setup carries beside its readings. */
    static String[] settings(Setup setup) {
        List<String> all = new ArrayList<>();
        setup.atmosphere()
                .ifPresent(air -> all.addAll(List.of(
                        "temperature", exact(air.temperature()),
                        "pressure", exact(air.pressure()),
                        "vapour", exact(air.vapour()))));
        List<Setup.LeftOut> leaveOut = setup.orientation().leaveOut();
        for (int i = 0; i < leaveOut.size(); i++) {
            Setup.LeftOut left = leaveOut.get(i);
            all.addAll(List.of(
                    "leaveOut" + (i + 1), left.only().map(JobReader::key).orElse("all") + " " + left.target()));
        }
        return all.toArray(String[]::new);
    }

    /** The deviations of control. */
    static String[] settings(Mark mark, double unit) {
        return mark.stdDev()
                .map(d -> new String[] {
                    "stdDevNorthing", exact(d.northing() / unit),
                    "stdDevEasting", exact(d.easting() / unit),
                    "stdDevElevation", exact(d.elevation() / unit)
                })
                .orElse(new String[0]);
    }

    private static String exact(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** What of a job does not travel, each in words with its number. */
    static List<String> leftBehind(Job job) {
        List<String> left = new ArrayList<>();
        count(left, readings(job).filter(r -> !r.stands()).count(), "reading struck out", "readings struck out");
        count(
                left,
                readings(job).filter(r -> r.slopes().size() > 1).count(),
                "pointing of several distances (their mean stands for them)",
                "pointings of several distances (their means stand for them)");
        count(left, job.fixes().size(), "satellite fix", "satellite fixes");
        count(left, job.references().size(), "reference pair", "reference pairs");
        count(left, job.traverses().size(), "route of a traverse", "routes of traverses");
        count(left, job.adopted().size(), "adopted coordinate's record", "adopted coordinates' records");
        count(left, job.decisions().size(), "decision", "decisions");
        if (job.network().run()) {
            left.add("the wish to adjust the network");
        }
        return left;
    }

    private static Stream<Reading> readings(Job job) {
        return job.setups().stream().flatMap(s -> s.readings().stream());
    }

    private static void count(List<String> left, long number, String one, String many) {
        if (number > 0) {
            left.add(number + " " + (number == 1 ? one : many));
        }
    }

    /**
     * A job with the settings that a file carries; what it does not say is taken as usual, and remarked.
     *
     * @param own properties of the survey
     */
    static Job with(Job job, Map<String, String> own, LandXmlValues values, List<String> remarks) {
        if (own.containsKey("leftBehind")) {
            remarks.add("Left behind when this file was written: " + own.get("leftBehind") + ".");
        }
        if (!own.containsKey("scaleFactor")) {
            remarks.add(
                    "The file says neither scale factor nor class of work nor what is assumed of the earth: factor 1, engineering, curvature and usual refraction are taken. Distances on a grid need its factor: correct it in the job.");
            return job;
        }
        double length = values.length().metres();
        Optional<GridProjection> projection = Optional.ofNullable(own.get("projection"))
                .flatMap(ProjectionNames::definition)
                .map(definition ->
                        new GridProjection(definition, values.within(own, "meanHeight", -1e5, 1e5) * length));
        Job carried = job.withEarth(new Earth(
                own.containsKey("radius") ? values.within(own, "radius", 1, 1e8) * length : Earth.USUAL.radius(),
                values.within(own, "refraction", -5, 5),
                !"false".equals(own.get("curvature")),
                values.within(own, "scaleFactor", 0.9, 1.1),
                projection));
        for (ClassOfWork.Preset preset : ClassOfWork.Preset.values()) {
            if (preset.key().equals(own.get("classOfWork"))) {
                return carried.with(ClassOfWork.of(preset));
            }
        }
        return carried;
    }

    /** The air of a setup, where the file carries it. */
    static Optional<Atmosphere> air(Map<String, String> own, LandXmlValues values) {
        return own.containsKey("temperature") && own.containsKey("pressure")
                ? Optional.of(new Atmosphere(
                        values.within(own, "temperature", -90, 70),
                        values.within(own, "pressure", 300, 1200),
                        values.within(own, "vapour", 0, 200)))
                : Optional.empty();
    }

    /** What is left out at a setup. */
    static List<Setup.LeftOut> leaveOut(Map<String, String> own) {
        List<Setup.LeftOut> all = new ArrayList<>();
        for (int i = 1; own.containsKey("leaveOut" + i); i++) {
            String[] said = own.get("leaveOut" + i).split(" ", 2);
            if (said.length == 2) {
                all.add(new Setup.LeftOut(said[1], part(said[0])));
            }
        }
        return all;
    }

    private static Optional<Setup.Part> part(String key) {
        Map<String, Setup.Part> parts = new HashMap<>();
        for (Setup.Part part : Setup.Part.values()) {
            parts.put(JobReader.key(part), part);
        }
        return Optional.ofNullable(parts.get(key));
    }

    /** The deviations of a point, where the file carries them. */
    static Optional<Mark.Deviations> stdDev(Map<String, String> own, LandXmlValues values) {
        return own.containsKey("stdDevNorthing")
                ? Optional.of(new Mark.Deviations(
                        values.within(own, "stdDevNorthing", 0, 1000)
                                * values.length().metres(),
                        values.within(own, "stdDevEasting", 0, 1000)
                                * values.length().metres(),
                        values.within(own, "stdDevElevation", 0, 1000)
                                * values.length().metres()))
                : Optional.empty();
    }
}
