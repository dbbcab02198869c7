package markturn.tripod.turning;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.survey.angle.Angles;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;
import markturn.survey.turning.PointingOrder.Pointing;

/**
 * A break within a half-set: the circle may have changed. The first target is sighted again on the same face; within the limit one goes
 * on, else the half-set is closed and a new set begun.
 */
public final class Interruption {
    private final BookedJob book;
    private final Setup setup;
    private final List<Reading> before;
    private final List<Reading> after;

    public Interruption(BookedJob book, Setup setup) {
        this.book = book;
        this.setup = setup;
        OptionalInt broken = book.lastBreak(setup.name());
        int at = Math.min(broken.orElse(0), setup.readings().size());
        this.before = setup.readings().subList(0, at);
        this.after = broken.isPresent()
                ? setup.readings().subList(at, setup.readings().size())
                : List.of();
    }

    /** The half-set that was interrupted; empty where the break came between half-sets, or there was none. */
    private Optional<Reading> lastOfHalf() {
        Optional<Reading> last =
                before.stream().filter(r -> r.stands() && r.set().isPresent()).reduce((earlier, later) -> later);
        return last.filter(r -> book.order(setup).pointings().remaining(setup.withReadings(before)).stream()
                .anyMatch(p -> p.set() == r.set().getAsInt()));
    }

    private Optional<Reading> first(List<Reading> readings) {
        return lastOfHalf()
                .flatMap(half -> readings.stream()
                        .filter(r -> r.stands()
                                && r.set().isPresent()
                                && r.set().getAsInt() == half.set().getAsInt()
                                && r.face() == half.face())
                        .findFirst());
    }

    private Optional<Reading> again() {
        return first(before)
                .flatMap(first -> after.stream()
                        .filter(r -> r.stands()
                                && r.set().equals(first.set())
                                && r.face() == first.face()
                                && r.target().equals(first.target()))
                        .findFirst());
    }

    /** The sight that tells whether the circle moved; empty where it has been taken, or is not needed. */
    Optional<Pointing> resight() {
        boolean needed = again().isEmpty()
                && !before.isEmpty()
                && after.stream().noneMatch(Reading::stands)
                && lastOfHalf()
                        .filter(r ->
                                !book.order(setup).closedSets().contains(r.set().getAsInt()))
                        .isPresent();
        return needed
                ? first(before).map(r -> new Pointing(r.set().getAsInt(), r.face(), r.target()))
                : Optional.empty();
    }

    /** How far the circle moved, in words, where that is beyond its limit and the half-set is still open; else empty. */
    public String mismatch() {
        Optional<Reading> again = again();
        if (again.isEmpty()
                || book.order(setup).closedSets().contains(again.get().set().getAsInt())) {
            return "";
        }
        double moved = Angles.shortWay(again.get().circle().radians()
                - first(before).orElseThrow().circle().radians());
        double limit = book.result().judgements().stream()
                .filter(j -> j.quantity() == Limit.HALF_SET_CLOSURE && j.setup().equals(setup.name()))
                .mapToDouble(Judgement::limit)
                .max()
                .orElse(book.job().classOfWork().limit(Limit.HALF_SET_CLOSURE));
        Words words = new Words(book.job().units());
        return Math.abs(moved) <= limit
                ? ""
                : Sentence.of("The circle moved %s in the break; limit %s.", words.small(moved), words.small(limit));
    }

    /** The set whose half is to be closed. */
    public OptionalInt set() {
        return lastOfHalf().map(Reading::set).orElse(OptionalInt.empty());
    }
}
