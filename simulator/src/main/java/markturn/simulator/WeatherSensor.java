package markturn.simulator;

import markturn.survey.job.Atmosphere;

/** What a weather sensor can do. */
public interface WeatherSensor {
    /** The air as it is now, to the tenth of a degree and the hectopascal. */
    Atmosphere read();
}
