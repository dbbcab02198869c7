package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManagerFactory;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.KeyTaken;
import markturn.fieldbook.LinesStruck;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarksAdded;
import markturn.fieldbook.NotAllowed;
import markturn.fieldbook.Note;
import markturn.fieldbook.NoteCorrected;
import markturn.fieldbook.ReadingBooked;
import markturn.fieldbook.Refused;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.web.House;
import markturn.web.frame.Decisions;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(House.class)
class FieldBookTest {
    private static String open(FieldBook fieldBook) {
        return fieldBook.open(AlderWeir.job(), "wren", Set.of("wren", "ida", "sol"));
    }

    private static ReadingBooked reading(Job job) {
        return new ReadingBooked("S4", job.setup("S4").orElseThrow().readings().get(0), Optional.empty());
    }

    @Test
    void aPointingPostedTwiceIsStoredOnce(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        BookedJob book = fieldBook.book(id, "wren");
        String key = UUID.randomUUID().toString();
        BookedJob once = fieldBook.add(id, key, "wren", reading(book.job()));
        BookedJob twice = fieldBook.add(id, key, "wren", reading(book.job()));
        assertThat(twice.revision()).isEqualTo(once.revision());
        assertThat(twice.job().setup("S4").orElseThrow().readings()).hasSize(6);
    }

    /** The answer to a page is lost and it is sent again: one job. Whoever else uses the same key opens their own. */
    @Test
    void aJobOpenedTwiceUnderOneKeyIsOneJob(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String key = UUID.randomUUID().toString();
        String id = fieldBook.open(key, AlderWeir.job(), "wren", Set.of("wren"));
        assertThat(fieldBook.open(key, AlderWeir.job(), "wren", Set.of("wren"))).isEqualTo(id);
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(1);
        assertThat(fieldBook.open(key, AlderWeir.job(), "sol", Set.of("sol"))).isNotEqualTo(id);
        Job job = AlderWeir.job();
        Job other = Job.opened("Another", job.place(), job.units(), job.classOfWork(), false, job.earth());
        assertThatThrownBy(() -> fieldBook.open(key, other, "wren", Set.of("wren")))
                .isInstanceOf(KeyTaken.class);
    }

    /** A second tap comes before the answer to the first: whichever is stored first, both lead to it. */
    @Test
    void aJobSentTwiceAtOnceIsOneJob(House house) throws Exception {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        ExecutorService both = Executors.newFixedThreadPool(4);
        for (int round = 0; round < 10; round++) {
            String key = UUID.randomUUID().toString();
            Set<String> ids = new HashSet<>();
            Callable<String> open = () -> fieldBook.open(key, AlderWeir.job(), "wren", Set.of("wren"));
            for (Future<String> opened : both.invokeAll(Collections.nCopies(4, open))) {
                ids.add(opened.get());
            }
            assertThat(ids).hasSize(1);
            assertThat(fieldBook.book(ids.iterator().next(), "wren").revision()).isEqualTo(1);
        }
        both.shutdown();
    }

    @Test
    void twoPeopleBookingAtOnceDoNotOverwriteEachOther(House house) throws Exception {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        ReadingBooked payload = reading(fieldBook.book(id, "wren").job());
        ExecutorService both = Executors.newFixedThreadPool(4);
        List<Callable<BookedJob>> postings = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            String who = i % 2 == 0 ? "wren" : "sol";
            postings.add(() -> fieldBook.add(id, UUID.randomUUID().toString(), who, payload));
        }
        for (Future<BookedJob> posted : both.invokeAll(postings)) {
            posted.get();
        }
        both.shutdown();
        BookedJob book = fieldBook.book(id, "sol");
        assertThat(book.job().setup("S4").orElseThrow().readings()).hasSize(85);
        assertThat(book.entries().stream().mapToLong(Entry::sequence))
                .containsExactlyElementsOf(LongStream.rangeClosed(1, 81).boxed().toList());
        assertThat(book.entries().stream().filter(e -> e.by().equals("sol"))).hasSize(40);
    }

    @Test
    void whoOpensAJobTogetherWaitsForOneReadingOfIt(House house) throws Exception {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        fieldBook.add(id, "one", "wren", reading(AlderWeir.job()));
        fieldBook.forgetKept();
        Statistics asked = house.application()
                .getBean(EntityManagerFactory.class)
                .unwrap(SessionFactory.class)
                .getStatistics();
        asked.setStatisticsEnabled(true);
        asked.clear();
        ExecutorService six = Executors.newFixedThreadPool(6);
        List<Future<BookedJob>> opened = six.invokeAll(Collections.nCopies(6, () -> fieldBook.book(id, "wren")));
        six.shutdown();
        long readings = Stream.of(asked.getQueries())
                .filter(query -> query.contains("StoredEntry$Row"))
                .mapToLong(query -> asked.getQueryStatistics(query).getExecutionCount())
                .sum();
        asked.setStatisticsEnabled(false);
        assertThat(readings).isEqualTo(1);
        BookedJob first = opened.get(0).get();
        assertThat(first.job().setup("S4").orElseThrow().readings()).hasSize(6);
        for (Future<BookedJob> each : opened) {
            assertThat(each.get()).isSameAs(first);
        }
    }

    @Test
    void theNetworkIsAdjustedOnceForEachRevision(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        BookedJob book = fieldBook.book(id, "wren");
        // What ends the work leaves nothing behind.
        assertThatThrownBy(() -> book.network(share -> {
                    throw new CancellationException();
                }))
                .isInstanceOf(CancellationException.class);
        assertThat(book.network(share -> {}))
                .isSameAs(fieldBook.book(id, "wren").network(share -> {}));
        BookedJob next = fieldBook.add(id, "two", "wren", reading(book.job()));
        assertThat(next.network(share -> {})).isNotSameAs(book.network(share -> {}));
    }

    @Test
    void whatContradictsIsRefusedAndNothingIsStored(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        BookedJob before = fieldBook.book(id, "wren");
        MarkAdded taken = new MarkAdded(Mark.named("POND 1", Mark.Kind.NEW));
        assertThatThrownBy(() -> fieldBook.add(id, "k", "wren", taken))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("POND 1 is in this job already");
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        assertThatThrownBy(() -> fieldBook.add(id, "k", "stranger", taken)).isInstanceOf(NoSuchJob.class);
    }

    @Test
    void aBookReadAgainFromDiskIsTheSameBook(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        BookedJob book = fieldBook.book(id, "wren");
        String key = UUID.randomUUID().toString();
        fieldBook.add(id, key, "wren", reading(book.job()));
        BookedJob struck = fieldBook.add(
                id, UUID.randomUUID().toString(), "wren", new LinesStruck(List.of(key), "bump", Optional.empty()));
        fieldBook.forgetKept();
        BookedJob again = fieldBook.book(id, "wren");
        assertThat(again.job()).isEqualTo(struck.job());
        assertThat(again.reading(key).orElseThrow().struck()).contains("bump");
        assertThat(again.entries())
                .extracting(e -> e.key() + e.by() + e.at() + e.payload())
                .containsExactlyElementsOf(struck.entries().stream()
                        .map(e -> e.key() + e.by() + e.at() + e.payload())
                        .toList());
    }

    private static MarksAdded marks(int from, int to) {
        List<Mark> marks = IntStream.range(from, to)
                .mapToObj(i -> Mark.named("N" + i, Mark.Kind.LOCATED))
                .toList();
        return new MarksAdded(marks, List.of(), "");
    }

    /** Each kind names who may book it, whatever the page; denied where nothing is said. Source: OWASP ASVS 4.0, 4.1.3. */
    @Test
    void whoMayNotBookAKindIsRefusedAndNothingIsStored(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(AlderWeir.job(), "wren", Set.of("wren", "ida", "rue", "sol"));
        long before = fieldBook.book(id, "wren").revision();
        DecisionMade accepting = new DecisionMade(Decisions.now("W", Decision.ACCEPT, Map.of("setup", "S4"), ""));
        NoteCorrected corrected = new NoteCorrected(
                new Note.InstrumentHeight("S4", MeasuredHeight.toAxis(1.5)), "Ida Marsh", "read again");
        Map<EntryPayload, Set<String>> may = Map.of(
                reading(fieldBook.book(id, "wren").job()),
                Set.of("wren", "sol"),
                corrected,
                Set.of("wren", "sol"),
                accepting,
                Set.of("ida", "sol"),
                new DecisionMade(Decisions.now("W", Decision.ANSWER, Map.of("code", "x"), "seen")),
                Set.of("wren", "ida", "sol"));
        may.forEach((payload, who) -> List.of("wren", "ida", "sol", "rue").forEach(name -> {
            String key = UUID.randomUUID().toString();
            if (who.contains(name)) {
                assertThat(fieldBook.add(id, key, name, payload).holds(key)).isTrue();
            } else {
                long now = fieldBook.book(id, "wren").revision();
                assertThatThrownBy(() -> fieldBook.add(id, key, name, payload))
                        .as(name + " " + payload.kind())
                        .isInstanceOf(NotAllowed.class);
                assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(now);
            }
        }));
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before + 2 + 2 + 2 + 3);
        assertThatThrownBy(() -> fieldBook.open(AlderWeir.job(), "ida", Set.of("ida")))
                .isInstanceOf(NotAllowed.class);
    }

    @Test
    void whatComesInTogetherIsStoredWholeOrNotAtAll(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        BookedJob before = fieldBook.book(id, "wren");
        List<MarksAdded> both = List.of(marks(0, 100), marks(100, 200));
        assertThatThrownBy(() -> fieldBook.add(id, "many", "wren", both, share -> {
                    if (share > 0.4) {
                        throw new CancellationException();
                    }
                }))
                .isInstanceOf(CancellationException.class);
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        List<MarksAdded> clashing = List.of(marks(0, 100), marks(99, 120));
        assertThatThrownBy(() -> fieldBook.add(id, "clash", "wren", clashing))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("N99 is in this job already");
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        BookedJob after = fieldBook.add(id, "many", "wren", both);
        assertThat(fieldBook.add(id, "many", "wren", both).revision()).isEqualTo(after.revision());
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").job().marks())
                .hasSize(before.job().marks().size() + 200);
    }
}
