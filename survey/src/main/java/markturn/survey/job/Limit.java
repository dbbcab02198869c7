package markturn.survey.job;

import markturn.survey.angle.Angles;

/**
 * A limit of a class of work, with its value in each of the four classes. Common practice, no source. Arc limits are kept in radians,
 * lengths in metres, the interval in minutes, the ratio as the N of 1 : N.
 */
public enum Limit {
    SETS("sets", Dimension.COUNT, 4, 2, 1, 1),
    COLLIMATION_SPREAD("collimationSpread", Dimension.ARC, 6, 10, 20, 30),
    INDEX_SPREAD("indexSpread", Dimension.ARC, 6, 10, 20, 30),
    SET_RESIDUAL("setResidual", Dimension.ARC, 3, 5, 10, 20),
    /** How far the first target of a half-set may have moved when it is sighted again on the same face. */
    HALF_SET_CLOSURE("halfSetClosure", Dimension.ARC, 6, 10, 20, 30),
    DISTANCE_SPREAD("distanceSpread", Dimension.LENGTH, 2, 3, 10, 20),
    TILT("tilt", Dimension.ARC, 8, 10, 30, 30),
    PLUMMET("plummet", Dimension.LENGTH, 0.5, 1, 2, 5),
    HEIGHT_TWICE("heightTwice", Dimension.LENGTH, 1, 2, 5, 10),
    BACKSIGHT_DISTANCE("backsightDistance", Dimension.LENGTH, 3, 6, 15, 30),
    BACKSIGHT_ELEVATION("backsightElevation", Dimension.LENGTH, 5, 10, 20, 30),
    CLOSING_SIGHT("closingSight", Dimension.ARC, 5, 10, 20, 30),
    CLOSING_INTERVAL("closingInterval", Dimension.MINUTES, 60, 60, 120, 120),
    BOTH_WAYS_DISTANCE("bothWaysDistance", Dimension.LENGTH, 3, 6, 15, 30),
    BOTH_WAYS_ELEVATION("bothWaysElevation", Dimension.LENGTH, 5, 10, 20, 40),
    RESECTION_POSITION("resectionPosition", Dimension.LENGTH, 3, 10, 20, 30),
    RESECTION_ELEVATION("resectionElevation", Dimension.LENGTH, 5, 10, 20, 30),
    SECOND_FIX_POSITION("secondFixPosition", Dimension.LENGTH, 5, 15, 40, 60),
    SECOND_FIX_ELEVATION("secondFixElevation", Dimension.LENGTH, 8, 15, 30, 50),
    ANGULAR_MISCLOSURE("angularMisclosure", Dimension.ARC, 3, 10, 20, 30),
    LINEAR_MISCLOSURE("linearMisclosure", Dimension.RATIO, 20000, 10000, 5000, 2000),
    ELEVATION_MISCLOSURE("elevationMisclosure", Dimension.LENGTH, 3, 5, 10, 15);

    /** What a limit is counted in. */
    public enum Dimension {
        /** Presets in arc-seconds. */
        ARC(Angles.SECOND),
        /** Presets in millimetres. */
        LENGTH(0.001),
        MINUTES(1),
        COUNT(1),
        RATIO(1);

        private final double preset;

        Dimension(double preset) {
            this.preset = preset;
        }
    }

    private final String key;
    private final Dimension dimension;
    private final double[] presets;

    Limit(String key, Dimension dimension, double precise, double engineering, double detail, double record) {
        this.key = key;
        this.dimension = dimension;
        this.presets = new double[] {precise, engineering, detail, record};
    }

    /** Its name in the job file's {@code classLimits}. */
    public String key() {
        return key;
    }

    public Dimension dimension() {
        return dimension;
    }

    /** The preset of that class: radians, metres, minutes or a plain number. */
    double preset(ClassOfWork.Preset work) {
        return presets[work.ordinal()] * dimension.preset;
    }
}
