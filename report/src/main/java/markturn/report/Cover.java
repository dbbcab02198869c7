package markturn.report;

import java.time.Instant;
import java.util.List;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.reduce.GridScale;
import markturn.survey.show.Display;

/** What was observed, when, with what and by whom. */
final class Cover {
    private Cover() {}

    static ReportTable of(Reported of, List<Report.Person> crew, Instant made, String program) {
        Job job = of.job();
        Display show = of.show();
        Words words = of.words();
        ReportTable.Draft facts = ReportTable.draft("cover").words("", "");
        facts.row("Observed", days(job, show));
        facts.row("Times are those of", show.timeZone());
        facts.row("Class of work", classOfWork(job));
        facts.row("Units", show.lengthSign() + ", angles " + job.units().angle().key());
        facts.row("Curvature and refraction", curvature(job.earth(), show));
        facts.row("Scale, ground to grid", scale(job));
        job.instruments()
                .forEach(i -> facts.row(
                        "Instrument",
                        i.name() + ": direction " + words.small(i.directionStdDev()) + ", zenith "
                                + words.small(i.zenithStdDev()) + ", distance " + words.difference(i.distanceStdDev())
                                + " + " + i.distancePpm() + " ppm, centring " + words.difference(i.centringStdDev())));
        job.reflectors().stream()
                .filter(r -> !r.isReflectorless())
                .forEach(r -> facts.row(
                        "Reflector",
                        r.name() + ": constant " + show.length(r.constant()) + " " + show.lengthSign() + ", centring "
                                + words.difference(r.centringStdDev())));
        crew.forEach(person -> facts.row(person.role(), person.name()));
        facts.row("Report made", show.dayAndTime(made) + " with " + program);
        return facts.done();
    }

    private static String classOfWork(Job job) {
        return job.classOfWork().preset().words()
                + (job.classOfWork().overrides().isEmpty() ? "" : ", with limits of its own")
                + (job.planOnly() ? "; plan only, no heights" : "");
    }

    private static String curvature(Earth earth, Display show) {
        return earth.curvature()
                ? "applied, k = " + earth.refraction() + ", R = " + show.length(earth.radius()) + " "
                        + show.lengthSign()
                : "turned off";
    }

    private static String scale(Job job) {
        return Words.number(GridScale.inForce(job).orElse(1), 8)
                + job.earth()
                        .projection()
                        .map(projection -> ", from " + projection.definition())
                        .orElse(", as given");
    }

    private static String days(Job job, Display show) {
        List<Instant> times = job.setups().stream()
                .flatMap(s -> s.readings().stream())
                .flatMap(r -> r.at().stream())
                .sorted()
                .toList();
        return times.isEmpty()
                ? "no times were booked"
                : show.dayAndTime(times.get(0)) + " to " + show.dayAndTime(times.get(times.size() - 1));
    }
}
