package markturn.tripod.review;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;

/** The backsights of an occupied setup against what their coordinates say, and what their distances went through. */
record BacksightTable(BookedJob book, MeasuredSetup setup, Display show) {
    TableShown table() {
        String difference = show.differenceSign();
        TableShown table = TableShown.headed(
                "Backsight",
                "#Distance " + show.lengthSign(),
                "#Difference " + difference,
                "#Elevation " + difference,
                "#North " + difference,
                "#East " + difference);
        setup.backsights()
                .forEach(b -> table.with(Row.of(
                        "",
                        Cell.of(b.target()),
                        Cell.number(show.length(b.distance())),
                        Cell.number(show.difference(b.distanceDifference())),
                        Cell.number(show.difference(b.elevationDifference())),
                        Cell.number(show.difference(b.northingDifference())),
                        Cell.number(show.difference(b.eastingDifference())))));
        return table;
    }

    /** What the numbers are, and what was put into them. */
    String words() {
        List<String> words = new ArrayList<>();
        words.add(Sentence.of(
                "Observed minus known. Orientation %s, standard deviation %s",
                show.azimuth(setup.orientation()), show.rootSmall(setup.orientationVariance())));
        words.add(air());
        double scale = GridScale.inForce(book.job()).orElse(1);
        if (scale != 1) {
            words.add(Sentence.of("scale factor %s, distances are on the grid", show.number(scale, 8)));
        }
        return String.join("; ", words) + "."
                + setup.closingSight().map(this::closing).orElse("");
    }

    private String closing(MeasuredSetup.ClosingSight sight) {
        String longest = sight.atLongest().isPresent()
                ? Sentence.of(", %s %s at the longest sight", show.deviation(sight.atLongest()), show.differenceSign())
                : "";
        return Sentence.of(
                " Closing sight on %s: turned %s%s%s.",
                sight.target(), show.small(OptionalDouble.of(sight.direction())), show.smallSign(), longest);
    }

    /** What the air does to the distances, or why nothing can be said of it. */
    private String air() {
        Job job = book.job();
        if (setup.setup().atmosphere().isEmpty()) {
            return "no temperature and pressure noted, distances as the instrument showed them";
        }
        Instrument instrument = job.instrument(setup.setup().instrument());
        if (instrument.wavelength().isEmpty()) {
            return Sentence.of(
                    "temperature and pressure noted, but nothing can be computed from them: %s has no wavelength",
                    instrument.name());
        }
        String belongs = Words.number(setup.ppm(), 1) + " ppm for the air";
        return setup.setup().readings().stream()
                .flatMap(r -> r.applied().stream())
                .map(Reading.Applied::ppm)
                .filter(OptionalDouble::isPresent)
                .reduce((earlier, later) -> later)
                .map(keyed -> Sentence.of(
                        "%s keyed %s: %s at 1 km put right",
                        belongs,
                        Words.number(keyed.getAsDouble(), 1),
                        new Words(job.units()).difference((setup.ppm() - keyed.getAsDouble()) * 1e-3)))
                .orElse(belongs + ", keyed in as it should be");
    }
}
