package markturn.tripod.mark;

import markturn.survey.job.Job;
import markturn.survey.job.ReferencePair;
import markturn.survey.show.Display;
import markturn.tripod.view.Shown;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;

/** What is known between two marks without the instrument. */
record PairTable(Job job, Display show) {
    Shown shown() {
        TableShown table = TableShown.headed(
                "From",
                "To",
                "#Distance " + show.lengthSign(),
                "#Std. dev., mm",
                "#Height diff. " + show.lengthSign(),
                "#Std. dev., mm",
                "#Azimuth",
                "#Std. dev. " + show.smallSign(),
                "How");
        job.references().forEach(pair -> table.with(row(pair)));
        return table;
    }

    private Row row(ReferencePair pair) {
        return Row.of(
                "",
                Cell.of(pair.one()),
                Cell.of(pair.other()),
                Cell.number(show.length(pair.distance())),
                Cell.number(pair.distance().isPresent() ? show.millimetres(pair.stdDev()) : ""),
                Cell.number(show.length(pair.rise())),
                Cell.number(pair.rise().isPresent() ? show.millimetres(pair.riseStdDev()) : ""),
                Cell.number(pair.azimuth().map(a -> show.decorated(a.written())).orElse("")),
                Cell.number(pair.azimuth().isPresent() ? show.smallAmount(pair.azimuthStdDev()) : ""),
                Cell.of(pair.how()));
    }
}
