package markturn.web.register;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.fieldbook.MarkTaken;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Glance;
import markturn.survey.job.Adopted;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The office's register of marks. What is entered stays; what is in force is the latest value that somebody let be so. */
@Service
public class Register {
    /** A registered mark is known here where it lies so near to a mark of the job, metres. */
    private static final double NEAR = 2000;

    private static final int MOST = 200;

    private final RegisterMarks marks;
    private final RegisterValues values;
    private final RegisterNotes notes;
    private final RegisterUses uses;

    Register(RegisterMarks marks, RegisterValues values, RegisterNotes notes, RegisterUses uses) {
        this.marks = marks;
        this.values = values;
        this.notes = notes;
        this.uses = uses;
    }

    /** A mark with the value that is in force and, where it was used, the last use. */
    public record Known(RegisterMark mark, RegisterValue value, Optional<RegisterUse> lastUse) {
        /** What has to be said before it is used again; empty where there is nothing. */
        public String warning() {
            return lastUse.filter(RegisterUse::isDisagreed)
                    .map(u -> "disagreed in the last job that used it: " + u.agreed())
                    .orElse("");
        }
    }

    /** A value that a job can enter. */
    public record Offer(Mark.Coordinates at, OptionalDouble stdDev, String source) {
        private static Offer of(Mark.Coordinates at, Optional<Mark.Deviations> stdDev, String source) {
            return new Offer(
                    at, stdDev.map(d -> OptionalDouble.of(d.northing())).orElse(OptionalDouble.empty()), source);
        }
    }

    /** What a job can enter: given control, and what was adopted, with where it comes from. */
    static Map<String, Offer> offered(Job job) {
        Map<String, Offer> offered = new LinkedHashMap<>();
        for (Mark mark : job.marks()) {
            if (mark.kind() == Mark.Kind.CONTROL
                    && mark.given().isPresent()
                    && mark.sameAs().isEmpty()) {
                String source = mark.source().isEmpty() ? "given in " + job.name() : mark.source();
                offered.put(mark.name(), Offer.of(mark.given().get(), mark.stdDev(), source));
            }
        }
        for (Adopted adopted : job.adopted()) {
            offered.put(
                    job.trueName(adopted.mark()),
                    Offer.of(
                            adopted.position(),
                            adopted.stdDev(),
                            "adopted in %s from %s by %s".formatted(job.name(), adopted.from(), adopted.by())));
        }
        return offered;
    }

    /** The datum that a job's coordinates are in: its projection, or what it was called when its marks were entered; empty where nobody has said. */
    static String datum(Job job) {
        return job.earth().projection().map(p -> p.definition()).orElse("");
    }

    /**
     * What became of marks that were entered.
     *
     * @param fresh so many were new
     * @param checks so many became checks of what is in force
     * @param stood so many values were entered from this job before: nothing is checked by itself
     */
    record Entered(int fresh, int checks, int stood) {}

    /** Enters marks of a job. One that the register has under that name and datum gets a check, and keeps the value in force. */
    @Transactional
    Entered enter(BookedJob book, List<String> names, String datum, String who, String reason) {
        int fresh = 0;
        int checks = 0;
        int stood = 0;
        Map<String, Offer> offered = offered(book.job());
        for (String name : names) {
            Offer value = offered.get(name);
            if (value == null) {
                continue;
            }
            Optional<RegisterMark> known = marks.findByNameAndDatum(name, datum);
            if (known.isPresent()
                    && values(known.get().id()).stream().anyMatch(v -> v.isOf(book.jobId(), value.at()))) {
                stood++;
                continue;
            }
            RegisterMark mark = known.orElseGet(
                    () -> marks.save(new RegisterMark(UUID.randomUUID().toString(), name, datum)));
            values.save(new RegisterValue(
                    mark.id(),
                    known.isEmpty(),
                    value.at(),
                    value.stdDev(),
                    value.source(),
                    book.jobId(),
                    now(),
                    who,
                    reason));
            if (known.isPresent()) {
                checks++;
            } else {
                fresh++;
            }
        }
        return new Entered(fresh, checks, stood);
    }

    /**
     * A value that was a check is in force from now on: by decision, with what was in force before legible.
     *
     * @param instead number of the value in whose place it comes
     * @return whether it is in force now; not where that is no longer the one in force
     */
    @Transactional
    public boolean takePlace(String markId, long number, long instead, String who, String reason) {
        Optional<RegisterValue> check =
                values(markId).stream().filter(v -> v.number() == number).findFirst();
        Optional<RegisterValue> now = inForce(markId);
        if (check.isEmpty() || now.isEmpty()) {
            return false;
        }
        // Let in twice it is in force once.
        if (now.get().isOf(check.get().jobId(), check.get().at())) {
            return true;
        }
        if (now.get().number() != instead) {
            return false;
        }
        values.save(check.get().inForce(now(), who, reason));
        return true;
    }

    /** A mark of the register; empty where there is none. */
    public Optional<RegisterMark> mark(String id) {
        return marks.findById(id);
    }

    /** All its values, the earliest first. */
    List<RegisterValue> values(String id) {
        return values.findByMarkIdOrderByNumber(id);
    }

    /** The value in force. */
    Optional<RegisterValue> inForce(String id) {
        return values(id).stream().filter(RegisterValue::isInForce).reduce((earlier, later) -> later);
    }

    List<RegisterUse> uses(String id) {
        return uses.ofMark(id);
    }

    List<RegisterNote> notes(String id) {
        return notes.findByMarkIdOrderByNumber(id);
    }

    Optional<byte[]> picture(String id, long number) {
        return notes.findByNumberAndMarkId(number, id)
                .filter(RegisterNote::hasPicture)
                .map(RegisterNote::picture);
    }

    void note(String id, String words, OptionalDouble distance, Optional<byte[]> picture, String who) {
        notes.save(new RegisterNote(id, words, distance, picture, now(), who));
    }

    /** Marks whose name or datum holds some text. */
    List<Known> found(String text) {
        String pattern =
                "%" + text.strip().toLowerCase(Locale.ROOT).replace("%", "\\%").replace("_", "\\_") + "%";
        return known(marks.found(pattern, Limit.of(MOST)));
    }

    private List<Known> known(List<RegisterMark> some) {
        List<Known> known = new ArrayList<>();
        for (RegisterMark mark : some) {
            inForce(mark.id())
                    .ifPresent(value -> known.add(
                            new Known(mark, value, uses(mark.id()).stream().findFirst())));
        }
        return known;
    }

    /** Registered marks of that datum near the marks of a job that has not taken them. */
    List<Known> near(BookedJob book, String datum) {
        List<Mark.Coordinates> places =
                book.job().marks().stream().flatMap(m -> m.given().stream()).toList();
        return known(marks.findByDatumOrderByName(datum)).stream()
                .filter(k -> book.job().mark(k.mark().name()).isEmpty())
                .filter(k -> places.isEmpty()
                        || places.stream().anyMatch(p -> distance(p, k.value().at()) < NEAR))
                .toList();
    }

    static double distance(Mark.Coordinates one, Mark.Coordinates other) {
        return Math.hypot(one.northing() - other.northing(), one.easting() - other.easting());
    }

    /** A mark as a job takes it. */
    Optional<MarkTaken> taken(String id) {
        return mark(id).flatMap(mark -> inForce(id)
                .map(value -> new MarkTaken(
                        Mark.control(
                                mark.name(),
                                value.at().northing(),
                                value.at().easting(),
                                value.at().elevation(),
                                "office register, value " + value.number() + ": " + value.source()),
                        id,
                        value.number())));
    }

    /** The marks of a job of which a newer value is in force than the one it took, by their names there. */
    public List<String> newer(BookedJob book) {
        return book.taken().entrySet().stream()
                .filter(e -> inForce(e.getValue().registered())
                        .filter(v -> v.number() > e.getValue().version())
                        .isPresent())
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    /** Remakes what a job says of the registered marks that it took: how they were found, and how well they agreed. */
    @Transactional
    public void remake(BookedJob book) {
        uses.deleteOfJob(book.jobId());
        if (book.taken().isEmpty()) {
            return;
        }
        SurveyResult result = book.resultInTheEnd();
        Glance glance = Glance.of(result.job(), result.measured(), result.judgements(), result.findings());
        Entry last = book.entries().get(book.entries().size() - 1);
        book.taken().forEach((name, taken) -> {
            Optional<String> stop = result.findings().stream()
                    .filter(f -> f.target().equals(name) && f.severity() == Finding.Severity.STOP)
                    .map(Finding::text)
                    .findFirst();
            String agreed = stop.or(() -> glance.proved().stream()
                            .filter(s -> s.mark().name().equals(name))
                            .map(Glance.Standing::why)
                            .findFirst())
                    .orElse("not tested there");
            uses.save(new RegisterUse(
                    taken.registered(),
                    book.jobId(),
                    taken.version(),
                    last.at(),
                    last.by(),
                    book.job()
                            .mark(name)
                            .flatMap(Mark::found)
                            .map(Mark.Found::key)
                            .orElse("not noted"),
                    agreed.length() > 300 ? agreed.substring(0, 297) + "..." : agreed,
                    stop.isPresent()));
        });
    }

    private static Instant now() {
        return Instant.now().truncatedTo(ChronoUnit.MILLIS);
    }
}
