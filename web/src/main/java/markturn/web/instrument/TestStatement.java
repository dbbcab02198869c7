package markturn.web.instrument;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.survey.instrument.InstrumentShown;
import markturn.survey.instrument.Pooled;
import markturn.survey.instrument.SetTest;
import markturn.survey.job.Instrument;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.web.people.People;

/**
 * What a test after ISO 17123-3 says of an instrument: all whole series of a job together.
 *
 * @param observers who read them
 * @param verdict the whole in a sentence
 */
public record TestStatement(
        Instrument instrument, List<Series> series, String observers, String verdict, boolean passed) {
    /** One series: five targets or more, three sets or more. */
    public record Series(
            String setup,
            String at,
            String temperature,
            int targets,
            int sets,
            String stdDev,
            int degrees,
            String collimation,
            String index) {}

    /** One for each instrument with a whole series. */
    static List<TestStatement> of(BookedJob book, People people) {
        Display show = new Display(book.job().units());
        List<TestStatement> statements = new ArrayList<>();
        for (Instrument instrument : book.job().instruments()) {
            List<MeasuredSetup> whole = book.result().measured().setups().stream()
                    .filter(s -> s.setup().instrument().equals(instrument.name())
                            && SetTest.directions(s).isWhole())
                    .toList();
            if (!whole.isEmpty()) {
                statements.add(statement(book, instrument, whole, people, show));
            }
        }
        return statements;
    }

    private static TestStatement statement(
            BookedJob book, Instrument instrument, List<MeasuredSetup> whole, People people, Display show) {
        List<Series> series = new ArrayList<>();
        Set<String> observers = new LinkedHashSet<>();
        Pooled all = Pooled.NONE;
        for (MeasuredSetup setup : whole) {
            SetTest test = SetTest.directions(setup);
            all = all.plus(test.pooled());
            Optional<InstrumentShown> shown = InstrumentShown.from(setup, instrument);
            series.add(new Series(
                    setup.name(),
                    shown.flatMap(InstrumentShown::at).map(show::dayAndTime).orElse(""),
                    shown.filter(s -> s.temperature().isPresent())
                            .map(s -> show.number(s.temperature().getAsDouble(), 0) + " °C")
                            .orElse("not noted"),
                    test.targets().size(),
                    test.sets(),
                    show.smallAmount(test.pooled().stdDev().orElse(0)),
                    test.pooled().degrees(),
                    shown.map(s -> show.smallAmount(s.collimation())).orElse("–"),
                    shown.map(s -> show.smallAmount(s.index())).orElse("–")));
            book.observers(setup.name()).forEach(name -> observers.add(people.shownName(name)));
        }
        boolean passed = all.stdDev().orElse(0) <= SetTest.limit(instrument.directionStdDev(), all.degrees());
        return new TestStatement(
                instrument,
                series,
                observers.stream().collect(Collectors.joining(", ")),
                InstrumentView.statement(all, instrument.directionStdDev(), show),
                passed);
    }
}
