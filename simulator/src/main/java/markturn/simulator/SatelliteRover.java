package markturn.simulator;

import markturn.survey.job.SatelliteFix;

/** What a satellite rover on a pole can do: give the position of the mark it stands on. */
public interface SatelliteRover {
    /**
     * Fixes a mark.
     *
     * @throws IllegalArgumentException where there is nothing of that name to stand on
     */
    SatelliteFix fix(String mark, SatelliteFix.Use use);
}
