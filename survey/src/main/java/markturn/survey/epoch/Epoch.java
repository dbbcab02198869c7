package markturn.survey.epoch;

import java.time.Instant;
import java.util.Optional;
import markturn.survey.network.FreeFigure;
import markturn.survey.result.MeasuredNetwork;

/**
 * One campaign on marks that are measured again and again.
 *
 * @param name as the office calls it
 * @param at when it was measured: the middle of its readings
 * @param plan its marks in plan as its sights alone give them; empty where they give no figure
 * @param elevations the same of elevations
 * @param test of its own adjustment: a campaign that contradicts itself shows movements that are none
 */
public record Epoch(
        String name,
        Instant at,
        Optional<FreeFigure> plan,
        Optional<FreeFigure> elevations,
        Optional<MeasuredNetwork.Test> test) {
    /** The same under another name. */
    public Epoch called(String other) {
        return new Epoch(other, at, plan, elevations, test);
    }
}
