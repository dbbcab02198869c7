package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.LongStream;
import markturn.formats.Pieces;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.web.House;
import markturn.web.frame.Payload;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

@ExtendWith(House.class)
class FieldBookTest {
    private static String open(FieldBook fieldBook) {
        return fieldBook.open(AlderWeir.job(), "wren", Set.of("wren", "ida"));
    }

    private static JsonNode reading(Job job) {
        Reading first = job.setup("S4").orElseThrow().readings().get(0);
        return Payload.reading("S4", new Pieces(job.units()).write(first));
    }

    @Test
    void aPointingPostedTwiceIsStoredOnce(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        Book book = fieldBook.book(id, "wren");
        String key = UUID.randomUUID().toString();
        Book once = fieldBook.add(id, key, "wren", EntryKind.READING, reading(book.job()));
        Book twice = fieldBook.add(id, key, "wren", EntryKind.READING, reading(book.job()));
        assertThat(twice.revision()).isEqualTo(once.revision());
        assertThat(twice.job().setup("S4").orElseThrow().readings()).hasSize(6);
    }

    @Test
    void twoPeopleBookingAtOnceDoNotOverwriteEachOther(House house) throws Exception {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        JsonNode payload = reading(fieldBook.book(id, "wren").job());
        ExecutorService both = Executors.newFixedThreadPool(4);
        List<Callable<Book>> postings = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            String who = i % 2 == 0 ? "wren" : "ida";
            postings.add(() -> fieldBook.add(id, UUID.randomUUID().toString(), who, EntryKind.READING, payload));
        }
        for (Future<Book> posted : both.invokeAll(postings)) {
            posted.get();
        }
        both.shutdown();
        Book book = fieldBook.book(id, "ida");
        assertThat(book.job().setup("S4").orElseThrow().readings()).hasSize(85);
        assertThat(book.entries().stream().mapToLong(Entry::sequence))
                .containsExactlyElementsOf(LongStream.rangeClosed(1, 81).boxed().toList());
        assertThat(book.entries().stream().filter(e -> e.by().equals("ida"))).hasSize(40);
    }

    @Test
    void whatContradictsIsRefusedAndNothingIsStored(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        Book before = fieldBook.book(id, "wren");
        JsonNode taken = new Pieces(before.job().units()).write(Mark.named("POND 1", Mark.Kind.NEW));
        assertThatThrownBy(() -> fieldBook.add(id, "k", "wren", EntryKind.MARK, taken))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("POND 1 is in this job already");
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        assertThatThrownBy(() -> fieldBook.add(id, "k", "stranger", EntryKind.MARK, taken))
                .isInstanceOf(NoSuchJob.class);
    }

    @Test
    void aBookReadAgainFromDiskIsTheSameBook(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        Book book = fieldBook.book(id, "wren");
        String key = UUID.randomUUID().toString();
        fieldBook.add(id, key, "wren", EntryKind.READING, reading(book.job()));
        Book struck = fieldBook.add(
                id, UUID.randomUUID().toString(), "wren", EntryKind.STRIKE, Payload.lines(List.of(key), "bump"));
        fieldBook.forgetKept();
        Book again = fieldBook.book(id, "wren");
        assertThat(again.job()).isEqualTo(struck.job());
        assertThat(again.reading(key).orElseThrow().struck()).contains("bump");
        assertThat(again.entries())
                .extracting(e -> e.key() + e.by() + e.at() + e.payload())
                .containsExactlyElementsOf(struck.entries().stream()
                        .map(e -> e.key() + e.by() + e.at() + e.payload())
                        .toList());
    }

    private static Act marks(Job job, int from, int to) {
        ObjectNode payload = JsonNodeFactory.instance.objectNode();
        ArrayNode marks = payload.putArray("marks");
        for (int i = from; i < to; i++) {
            marks.add(new Pieces(job.units()).write(Mark.named("N" + i, Mark.Kind.LOCATED)));
        }
        return new Act(EntryKind.MARKS, payload);
    }

    @Test
    void whatComesInTogetherIsStoredWholeOrNotAtAll(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = open(fieldBook);
        Book before = fieldBook.book(id, "wren");
        List<Act> both = List.of(marks(before.job(), 0, 100), marks(before.job(), 100, 200));
        assertThatThrownBy(() -> fieldBook.add(id, "many", "wren", both, share -> {
                    if (share > 0.4) {
                        throw new CancellationException();
                    }
                }))
                .isInstanceOf(CancellationException.class);
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        List<Act> clashing = List.of(marks(before.job(), 0, 100), marks(before.job(), 99, 120));
        assertThatThrownBy(() -> fieldBook.add(id, "clash", "wren", clashing))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("N99 is in this job already");
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").revision()).isEqualTo(before.revision());
        Book after = fieldBook.add(id, "many", "wren", both);
        assertThat(fieldBook.add(id, "many", "wren", both).revision()).isEqualTo(after.revision());
        fieldBook.forgetKept();
        assertThat(fieldBook.book(id, "wren").job().marks())
                .hasSize(before.job().marks().size() + 200);
    }
}
