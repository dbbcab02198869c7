package markturn.tripod.view;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.FixNoted;
import markturn.fieldbook.LinesRestored;
import markturn.fieldbook.LinesStruck;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.MarksAdded;
import markturn.fieldbook.MarksLeftOut;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.PenTaken;
import markturn.fieldbook.ReadingBooked;
import markturn.fieldbook.ReferenceNoted;
import markturn.fieldbook.SetupBegun;
import markturn.fieldbook.SetupRemoved;
import markturn.fieldbook.WorkInterrupted;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.show.Display;

/** What was booked, in one line: everything in it that cannot be found elsewhere, so that it can be read where it does not fit its job. */
public final class LineInWords {
    private LineInWords() {}

    /** @param show the units of the job it was booked in */
    public static String of(EntryPayload payload, Display show) {
        if (payload instanceof ReadingBooked booked) {
            return "at " + booked.setup() + ", " + reading(booked.reading(), show);
        }
        if (payload instanceof MarkAdded added) {
            return "mark " + mark(added.mark(), show);
        }
        if (payload instanceof MarksAdded added) {
            return "marks "
                    + added.marks().stream().map(mark -> mark(mark, show)).collect(Collectors.joining("; "));
        }
        if (payload instanceof MarkNoted noted) {
            return "mark " + mark(noted.mark(), show) + because(noted.reason());
        }
        if (payload instanceof SetupBegun begun) {
            return "setup " + begun.setup().name() + " on " + begun.setup().station() + ", instrument height "
                    + show.height(begun.setup().instrumentHeight());
        }
        return atTheSetup(payload).orElseGet(() -> payload.kind().stored());
    }

    private static Optional<String> atTheSetup(EntryPayload payload) {
        if (payload instanceof OrderNoted noted) {
            return Optional.of("what is sighted at " + noted.setup());
        }
        if (payload instanceof LinesStruck struck) {
            return Optional.of(lines(struck.lines().size()) + " struck out" + because(struck.reason()));
        }
        if (payload instanceof LinesRestored restored) {
            return Optional.of(lines(restored.lines().size()) + " restored");
        }
        if (payload instanceof DecisionMade made) {
            return Optional.of("decision, " + made.decision().what() + " "
                    + made.decision().concerning("setup")
                    + because(made.decision().reason()));
        }
        if (payload instanceof MarksLeftOut left) {
            return Optional.of("marks left out at " + left.setup() + because(left.reason()));
        }
        if (payload instanceof SetupRemoved removed) {
            return Optional.of("setup " + removed.setup() + " taken back"
                    + because(removed.decision().reason()));
        }
        return besideTheSetup(payload);
    }

    private static Optional<String> besideTheSetup(EntryPayload payload) {
        if (payload instanceof WorkInterrupted interrupted) {
            return Optional.of("interruption at " + interrupted.setup() + because(interrupted.reason()));
        }
        if (payload instanceof PenTaken taken) {
            return Optional.of("the pen of " + taken.setup() + " taken");
        }
        if (payload instanceof FixNoted noted) {
            return Optional.of("satellite fix of " + noted.fix().mark());
        }
        if (payload instanceof ReferenceNoted noted) {
            return Optional.of(
                    "reference " + noted.pair().one() + " to " + noted.pair().other());
        }
        return Optional.empty();
    }

    private static String lines(int count) {
        return count == 1 ? "1 line" : count + " lines";
    }

    private static String because(String reason) {
        return reason.isBlank() ? "" : ": " + reason;
    }

    private static String mark(Mark mark, Display show) {
        return mark.name()
                + mark.given()
                        .map(at -> " at " + show.place(at.northing(), at.easting(), at.elevation()))
                        .orElse("");
    }

    private static String reading(Reading reading, Display show) {
        return reading.role().name().toLowerCase(Locale.ROOT) + " " + reading.target() + ", face "
                + reading.face() + ": circle "
                + show.decorated(reading.circle().written())
                + reading.zenith()
                        .map(zenith -> ", zenith " + show.decorated(zenith.written()))
                        .orElse("")
                + (reading.slope().isPresent() ? ", slope " + show.length(reading.slope()) : "")
                + reading.targetHeight()
                        .map(height -> ", height " + show.height(Optional.of(height)))
                        .orElse("");
    }
}
