package markturn.survey.network;

import java.util.List;

/**
 * A setup before it is made: where it will stand, and what it will sight.
 *
 * @param station true name of the mark it stands on; of a free one a name of its own
 * @param isFree whether nothing is centred beneath the instrument
 * @param instrument of the job, by its name
 * @param sets on both faces, at least 1
 */
public record ForeseenSetup(
        String name, String station, boolean isFree, String instrument, int sets, List<Target> targets) {
    public ForeseenSetup {
        targets = List.copyOf(targets);
    }

    /**
     * What it sights.
     *
     * @param mark true name
     * @param reflector of the job, by its name
     * @param isMeasured whether a distance is measured, or directions alone
     */
    public record Target(String mark, String reflector, boolean isMeasured) {}
}
