package markturn.web.deliver;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleConsumer;
import markturn.fieldbook.BookedJob;
import markturn.formats.Version;
import markturn.report.Report;
import markturn.survey.SurveyResult;
import markturn.survey.epoch.Epochs;
import markturn.survey.job.Decision;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredNetwork;
import markturn.web.epoch.Series;
import markturn.web.people.People;
import org.springframework.stereotype.Component;

/** The report of a book: with who worked on it, and the worst hidden errors where the job is not too large to wait for them. */
@Component
class Reports {
    /** Above so many setups the adjustment of the whole job is left to its own page. */
    private static final int MOST_SETUPS = 400;

    private final People people;
    private final Series series;

    Reports(People people, Series series) {
        this.series = series;
        this.people = people;
    }

    /**
     * @param who sees it: epochs of jobs that they are no member of are left out
     * @param progress told of the adjustment of the whole job, the share that is done; what it throws ends the work
     */
    Report of(BookedJob book, String who, DoubleConsumer progress) {
        SurveyResult result = book.resultInTheEnd();
        int setups = book.job().setups().size();
        Optional<MeasuredNetwork> network =
                setups > 0 && setups <= MOST_SETUPS ? Optional.of(book.network(progress)) : Optional.empty();
        Report report = new Report(result, network, crew(book), Instant.now(), Version.program());
        Series.Seen seen = series.of(book, who);
        return seen.epochs().size() < 2 ? report : report.with(Epochs.of(seen.epochs(), seen.reference()));
    }

    /** What the report rests on: another text once anything was booked in the job, or in another of its series. */
    String state(BookedJob book, String who) {
        return series.state(book, who);
    }

    private List<Report.Person> crew(BookedJob book) {
        Set<String> observers = new LinkedHashSet<>();
        for (Setup setup : book.job().setups()) {
            book.observers(setup.name()).forEach(name -> observers.add(people.shownName(name)));
        }
        List<Report.Person> crew = new ArrayList<>();
        observers.forEach(name -> crew.add(new Report.Person(name, "Booked the readings")));
        book.job().decisions().stream()
                .map(Decision::by)
                .filter(name -> !name.isEmpty())
                .distinct()
                .forEach(name -> crew.add(new Report.Person(name, "Decided")));
        return crew;
    }
}
