package markturn.survey.station;

import java.util.Optional;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.locate.PolarShots;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Shot;

/**
 * A setup that grew by shots to points that nothing else of it sights: each adds its line and changes no other, so the setup is not
 * measured again. The same result as measuring it again.
 */
public final class ShotsMore {
    private ShotsMore() {}

    /**
     * What such shots add to.
     *
     * @param before the setup as it was measured, of a job whose settings and whose marks that setup refers to are the same
     * @return empty where the setup must be measured again: it grew by anything else or comes to a set of which nothing stood, a drift is taken out of its readings, or the job is in
     *     a map projection, whose lines change with the place
     */
    public static Optional<MeasuredSetup> of(Job job, MeasuredSetup before, Setup setup, Means means) {
        if (means.lines().isPresent()
                || job.isDecided(Decision.CORRECT_DRIFT, setup.name())
                || !setup.isGrownFrom(before.setup())) {
            return Optional.empty();
        }
        MeasuredSetup grown = before;
        for (int place = before.setup().readings().size();
                place < setup.readings().size();
                place++) {
            if (!isShotToNewPoint(job, grown, setup.readings().get(place))) {
                return Optional.empty();
            }
            BookedSetup booked = grown.booked().plusShot(job, setup, place);
            if (circleOf(booked) > SetAbstracts.lastSet(grown.booked())) {
                return Optional.empty();
            }
            grown = plus(job, grown, setup, booked, means);
        }
        return Optional.of(grown);
    }

    /** The set of the shot that stands last. */
    private static int circleOf(BookedSetup booked) {
        return booked.readings().get(booked.readings().size() - 1).circle();
    }

    private static boolean isShotToNewPoint(Job job, MeasuredSetup before, Reading reading) {
        String mark = job.trueName(reading.target());
        return reading.stands()
                && reading.role() == Reading.Role.DETAIL
                && BookedSetup.isShot(reading)
                && !mark.equals(job.trueName(before.setup().station()))
                && before.setup().orientation().sights().stream()
                        .map(job::trueName)
                        .noneMatch(mark::equals)
                && !isShot(before, mark);
    }

    private static boolean isShot(MeasuredSetup setup, String mark) {
        for (Shot shot : setup.shots()) {
            if (mark.equals(shot.mark())) {
                return true;
            }
        }
        return false;
    }

    private static MeasuredSetup plus(Job job, MeasuredSetup before, Setup setup, BookedSetup booked, Means means) {
        ReducedFix fix = ReducedFix.of(
                job, setup, booked, booked.fixes().get(booked.fixes().size() - 1));
        PolarShots polar = new PolarShots(
                job,
                Weights.of(job, setup),
                before.station(),
                before.orientation(),
                before.pose(),
                means.propagation());
        Shot shot = polar.shot(fix);
        return before.plus(setup, booked, SetAbstracts.ofShot(booked, shot), shot);
    }
}
