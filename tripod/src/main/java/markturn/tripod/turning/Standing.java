package markturn.tripod.turning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.backsight.DoubtfulShots;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.BeforePickingUp;
import markturn.survey.finding.standing.Proof;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/** How a setup stands while its instrument does: how long ago the backsight was sighted, what is doubtful, what is loose. */
final class Standing {
    /** Minutes after which a setup is no longer being observed. */
    private static final double A_DAY = 1440;

    private final BookedJob book;
    private final Setup setup;
    private final MeasuredSetup measured;
    private final Instant now;
    private final OptionalDouble age;

    Standing(BookedJob book, Setup setup, Instant now) {
        this.book = book;
        this.setup = setup;
        this.measured = book.result().measured().setup(setup.name());
        this.now = now;
        this.age = Proof.acceptance(book.job(), setup).isPresent()
                ? OptionalDouble.empty()
                : within(BeforePickingUp.ageOfLastLook(book.job(), measured, now));
    }

    private static OptionalDouble within(OptionalDouble minutes) {
        return minutes.isPresent() && minutes.getAsDouble() < A_DAY ? minutes : OptionalDouble.empty();
    }

    /** How long ago the backsight was sighted, in words; empty where unknown, or where nobody observes here any more. */
    String age() {
        return age.isPresent() ? Words.number(age.getAsDouble(), 0) + " min since the backsight" : "";
    }

    /** Whether the class's interval between looks back is over. */
    boolean isClosingDue() {
        return age.isPresent()
                && isHere()
                && age.getAsDouble() > book.job().classOfWork().limit(Limit.CLOSING_INTERVAL);
    }

    /** Whether the instrument still stands here: it has not been set up anywhere since. */
    boolean isHere() {
        return book.job().setups().stream()
                .filter(s -> s.instrument().equals(setup.instrument()))
                .reduce((earlier, later) -> later)
                .filter(s -> s.name().equals(setup.name()))
                .isPresent();
    }

    /** Whether a backsight has been sighted and compared: until then every line is unproved. */
    boolean isCompared() {
        if (setup.isFree()) {
            return measured.station().isPresent() && measured.redundancy().orElse(0) > 0;
        }
        return setup.orientation() instanceof Setup.BySights
                ? measured.backsights().stream()
                        .anyMatch(b -> b.used() && b.distanceDifference().isPresent())
                : measured.orientation().isPresent();
    }

    /** How many shots lie between the last good look back and a bad one. */
    int doubtful() {
        Job job = book.job();
        boolean drifted = book.result().findingsOf(setup.name()).stream()
                .anyMatch(f -> f.code() == FindingCode.BACKSIGHT_DRIFT && f.isOpenStop());
        return drifted && !job.isDecided(Decision.CORRECT_DRIFT, setup.name())
                ? DoubtfulShots.places(measured).size()
                : 0;
    }

    /**
     * What would stay unproved if the instrument were picked up now; nothing is said once it has been.
     *
     * @param left how many pointings of the sets are missing
     */
    List<BeforePickingUp.Loose> loose(int left) {
        if (setup.readings().isEmpty() || !isHere()) {
            return List.of();
        }
        List<BeforePickingUp.Loose> loose = new ArrayList<>();
        if (left > 0) {
            loose.add(new BeforePickingUp.Loose(
                    left == 1 ? "One pointing of the sets is missing." : left + " pointings of the sets are missing.",
                    (left == 1 ? "Turn it" : "Turn them") + ": a half-set cancels no error of the instrument.",
                    Optional.empty()));
        }
        loose.addAll(BeforePickingUp.of(book.job(), book.result().measured(), setup.name(), Optional.of(now)));
        return loose;
    }

    /** The targets of this setup where one could move to. */
    List<String> foresights() {
        if (!isHere()) {
            return List.of();
        }
        List<String> sights = setup.orientation().sights();
        return book.order(setup).aims().stream()
                .map(aim -> aim.target())
                .filter(target -> !sights.contains(target))
                .filter(this::isPlaced)
                .toList();
    }

    private boolean isPlaced(String target) {
        return book.result()
                .measured()
                .mark(target)
                .filter(m -> m.position().isPresent() && m.mark().kind() != Mark.Kind.LOCATED)
                .isPresent();
    }
}
