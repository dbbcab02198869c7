package markturn.survey.station;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.result.MeasuredSetup.ClosingSight;
import markturn.survey.result.MeasuredSetup.Look;

/** The readings of a setup reduced, with what its looks back show; where it was decided, with the drift taken out by time. */
record ReducedSetup(BookedSetup booked, List<ReducedFix> fixes, Optional<ClosingSight> closingSight, List<Look> looks) {
    static ReducedSetup of(Job job, Setup setup) {
        BookedSetup asBooked = new BookedSetup(job, setup);
        List<ReducedFix> fixes = reduced(job, setup, asBooked);
        Optional<ClosingSight> closing = ClosingSights.of(job, setup, asBooked, fixes);
        List<Look> looks = ClosingSights.looks(job, setup, asBooked, fixes);
        if (!job.isDecided(Decision.CORRECT_DRIFT, setup.name())) {
            return new ReducedSetup(asBooked, fixes, closing, looks);
        }
        BookedSetup corrected = new BookedSetup(job, DriftCorrection.apply(job, setup, looks));
        return new ReducedSetup(corrected, reduced(job, setup, corrected), closing, looks);
    }

    private static List<ReducedFix> reduced(Job job, Setup setup, BookedSetup booked) {
        return booked.fixes().stream()
                .map(fix -> ReducedFix.of(job, setup, booked, fix))
                .toList();
    }
}
