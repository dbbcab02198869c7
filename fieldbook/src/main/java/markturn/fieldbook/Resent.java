package markturn.fieldbook;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;

/** Whether what comes under a known key says the same as what is stored under it. */
final class Resent {
    private Resent() {}

    /** What somebody typed is compared; what the server makes of the job at that time may differ from one minute to the next. */
    static boolean isSame(EntryPayload stored, EntryPayload again) {
        if (stored instanceof ReadingBooked one && again instanceof ReadingBooked other) {
            return one.setup().equals(other.setup()) && timeless(one.reading()).equals(timeless(other.reading()));
        } else if (stored instanceof LinesStruck one && again instanceof LinesStruck other) {
            return one.lines().equals(other.lines()) && one.reason().equals(other.reason());
        } else if (stored instanceof LinesRestored one && again instanceof LinesRestored other) {
            return one.lines().equals(other.lines());
        } else if (stored instanceof JobOpened one && again instanceof JobOpened other) {
            return typed(one.job()).equals(typed(other.job()));
        }
        return stored.kind() == again.kind() && (!isTyped(stored) || stored.equals(again));
    }

    private static boolean isTyped(EntryPayload payload) {
        return switch (payload.kind()) {
            case INSTRUMENT, REFLECTOR, MARK, CODE, RENOTE, FIX, REFERENCE -> true;
            default -> false;
        };
    }

    /** Of a job that is opened, without what it takes from an earlier one: that may have grown. */
    private static List<Object> typed(Job job) {
        return List.of(job.name(), job.place(), job.units(), job.classOfWork(), job.planOnly());
    }

    /** Without the moment of booking: the second posting comes later. */
    private static Reading timeless(Reading reading) {
        return new Reading(
                reading.target(),
                reading.role(),
                reading.set(),
                reading.face(),
                reading.circle(),
                reading.zenith(),
                reading.slope(),
                reading.slopes(),
                reading.reflector(),
                reading.targetHeight(),
                Optional.empty(),
                reading.origin(),
                reading.applied(),
                reading.offset(),
                reading.centringStdDev(),
                reading.struck());
    }
}
