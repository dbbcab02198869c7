package markturn.web.epoch;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.EpochNoted;
import markturn.fieldbook.Refused;
import markturn.fieldbook.SetupsPlanned;
import markturn.survey.Survey;
import markturn.survey.epoch.Epoch;
import markturn.survey.job.Mark;
import markturn.web.fieldbook.FieldBook;
import org.springframework.stereotype.Service;

/** The epochs of marks that are measured again and again, wherever they are booked: in one job, or in a job each. */
@Service
public class Series {
    private static final int KEPT = 200;

    private final FieldBook fieldBook;
    private final SeriesJobs jobs;
    private final Cache<String, Epoch> kept =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    Series(FieldBook fieldBook, SeriesJobs jobs) {
        this.fieldBook = fieldBook;
        this.jobs = jobs;
    }

    /**
     * The epochs that somebody may see, in order of time.
     *
     * @param hidden how many jobs of the series they are no member of
     * @param reference marks meant to be stable: by the decision of this job, else its control
     * @param decided whether somebody has decided that
     */
    public record Seen(List<Epoch> epochs, int hidden, List<String> reference, boolean decided) {}

    /** The jobs of a series, that one first. */
    private Set<String> jobsOf(BookedJob book) {
        Set<String> ids = new LinkedHashSet<>();
        ids.add(book.jobId());
        book.epochs().forEach(noted -> jobs.ofSeries(noted.series()).forEach(job -> ids.add(job.jobId())));
        return ids;
    }

    private Optional<BookedJob> seen(String id, BookedJob book, String who) {
        return id.equals(book.jobId()) ? Optional.of(book) : fieldBook.find(id, who);
    }

    /** What somebody sees of a job and its series rests on this: another text once anything was booked in any of them. */
    public String state(BookedJob book, String who) {
        return jobsOf(book).stream()
                .map(id -> seen(id, book, who).map(seen -> "" + seen.revision()).orElse("hidden"))
                .collect(Collectors.joining("-"));
    }

    /** The series of a job; it holds no epoch where the job belongs to none. */
    public Seen of(BookedJob book, String who) {
        List<Epoch> epochs = new ArrayList<>();
        int hidden = 0;
        for (String id : jobsOf(book)) {
            Optional<BookedJob> other = seen(id, book, who);
            if (other.isEmpty()) {
                hidden++;
                continue;
            }
            for (EpochNoted noted : other.get().epochs()) {
                if (isOfSame(book, noted)) {
                    epochs.add(epoch(other.get(), noted));
                }
            }
        }
        epochs.sort(Comparator.comparing(Epoch::at));
        return new Seen(
                toldApart(epochs), hidden, reference(book), !book.reference().isEmpty());
    }

    /** Two that are called alike, as when both of a crew began the next one, are told apart by a number. */
    private static List<Epoch> toldApart(List<Epoch> epochs) {
        Set<String> names = new HashSet<>();
        List<Epoch> apart = new ArrayList<>();
        for (Epoch epoch : epochs) {
            String name = epoch.name();
            for (int number = 2; !names.add(name); number++) {
                name = epoch.name() + " (" + number + ")";
            }
            apart.add(name.equals(epoch.name()) ? epoch : epoch.called(name));
        }
        return apart;
    }

    private static boolean isOfSame(BookedJob book, EpochNoted noted) {
        return book.epochs().stream().anyMatch(own -> own.series().equals(noted.series()));
    }

    private static List<String> reference(BookedJob book) {
        return book.reference().isEmpty()
                ? book.job().marks().stream()
                        .filter(m -> m.kind() == Mark.Kind.CONTROL
                                && m.given().isPresent()
                                && m.sameAs().isEmpty())
                        .map(Mark::name)
                        .toList()
                : book.reference();
    }

    private Epoch epoch(BookedJob book, EpochNoted noted) {
        return kept.get(
                book.jobId() + " " + book.revision() + " " + noted.name(),
                key -> Survey.epoch(
                        book.result(),
                        noted.name(),
                        opened(book),
                        setup -> noted.setups().isEmpty() || noted.setups().contains(setup)));
    }

    private static Instant opened(BookedJob book) {
        return book.entries().get(0).at();
    }

    /**
     * Opens the job of the next epoch, with the setups of the last ready to be made again.
     *
     * @param name of the new job and epoch
     * @return its id
     */
    String again(BookedJob last, String key, String who, String name, Set<String> members) {
        String series = begun(last, key, who);
        List<EpochNoted> noted = last.epochs();
        List<String> setups =
                noted.isEmpty() ? List.of() : noted.get(noted.size() - 1).setups();
        String id = fieldBook.open(NextEpoch.job(last, setups, name), who, members);
        fieldBook.add(
                id,
                "epoch",
                who,
                List.<EntryPayload>of(
                        new SetupsPlanned(NextEpoch.planned(last, setups)), new EpochNoted(series, name, List.of())));
        jobs.save(new SeriesJob(series, id));
        return id;
    }

    /** The series of a job; it begins one where it belongs to none. */
    private String begun(BookedJob book, String key, String who) {
        if (!book.epochs().isEmpty()) {
            return book.epochs().get(0).series();
        }
        note(book.jobId(), key, who, new EpochNoted(book.jobId(), book.job().name(), List.of()));
        return book.jobId();
    }

    /**
     * Makes a job an epoch of the series of another, which begins one where it belongs to none.
     *
     * @param title what the other job is called
     * @throws Refused where no job is called so, or several are
     */
    void join(BookedJob book, String key, String who, String title) {
        List<String> found = fieldBook.called(title, who).stream()
                .filter(id -> !id.equals(book.jobId()))
                .toList();
        if (found.size() != 1) {
            throw new Refused(
                    "other",
                    found.isEmpty()
                            ? "You have no other job called \"" + title
                                    + "\": expected its name as the list of jobs shows it"
                            : "Several jobs are called \"" + title + "\": give one of them another name first");
        }
        String series = begun(fieldBook.book(found.get(0), who), key, who);
        note(book.jobId(), key, who, new EpochNoted(series, book.job().name(), List.of()));
    }

    /** Notes that setups of a job are an epoch. */
    void note(String jobId, String key, String who, EpochNoted epoch) {
        fieldBook.add(jobId, key, who, epoch);
        jobs.save(new SeriesJob(epoch.series(), jobId));
    }
}
