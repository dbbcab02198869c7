package markturn.survey.finding;

/**
 * What can be found, each under the word by which files name it and the room its rule lives in. None is ever renamed; what it says, how
 * badly and when, stands in the rule that finds it.
 */
public enum FindingCode {
    HEIGHT_UNLIKELY(Room.SETUP, "height-unlikely"),
    ZERO_HEIGHT(Room.SETUP, "zero-height"),
    HEIGHT_MEASURED_TO(Room.SETUP, "height-measured-to"),
    HEIGHT_TWICE(Room.SETUP, "height-twice"),
    HEIGHT_AFTER_MOVE(Room.SETUP, "height-after-move"),
    PLUMMET_OFFSET(Room.SETUP, "plummet-offset"),
    NOT_LEVELLED(Room.SETUP, "not-levelled"),
    PPM_UNSET(Room.SETUP, "ppm-unset"),
    REFLECTOR_CONSTANT(Room.SETUP, "reflector-constant"),
    PRISM_ON_REFLECTORLESS(Room.SETUP, "prism-on-reflectorless"),
    FACES_DIFFER(Room.SETS, "faces-differ"),
    FACE_MISSING(Room.SETS, "face-missing"),
    WRONG_TARGET(Room.SETS, "wrong-target"),
    SET_RESIDUAL(Room.SETS, "set-residual"),
    COLLIMATION_SPREAD(Room.SETS, "collimation-spread"),
    INDEX_SPREAD(Room.SETS, "index-spread"),
    DISTANCE_SPREAD(Room.SETS, "distance-spread"),
    ONE_SET(Room.SETS, "one-set"),
    NO_COMMON_SET(Room.SETS, "no-common-set"),
    HALF_SET_CLOSURE(Room.SETS, "half-set-closure"),
    COAXING(Room.SETS, "coaxing"),
    CLOSING_SIGHT_MISSING(Room.SETS, "closing-sight-missing"),
    CANNOT_HOLD_CLASS(Room.SETS, "cannot-hold-class"),
    BACKSIGHT_MISSING(Room.BACKSIGHT, "backsight-missing"),
    BACKSIGHT_DISTANCE(Room.BACKSIGHT, "backsight-distance"),
    BACKSIGHT_ELEVATION(Room.BACKSIGHT, "backsight-elevation"),
    BACKSIGHT_OTHER_MARK(Room.BACKSIGHT, "backsight-other-mark"),
    BACKSIGHT_UNKNOWN(Room.BACKSIGHT, "backsight-unknown"),
    BACKSIGHT_DRIFT(Room.BACKSIGHT, "backsight-drift"),
    SHORT_BACKSIGHT(Room.BACKSIGHT, "short-backsight"),
    ORIENTATION_GIVEN(Room.BACKSIGHT, "orientation-given"),
    ORIENTATION_APPROXIMATE(Room.BACKSIGHT, "orientation-approximate"),
    STATION_UNKNOWN(Room.BACKSIGHT, "station-unknown"),
    TWO_MARKS(Room.RESECTION, "two-marks"),
    WEAK_GEOMETRY(Room.RESECTION, "weak-geometry"),
    DANGER_CIRCLE(Room.RESECTION, "danger-circle"),
    OUTSIDE_MARKS(Room.RESECTION, "outside-marks"),
    MARK_DISAGREES(Room.RESECTION, "mark-disagrees"),
    MARKS_DISAGREE(Room.RESECTION, "marks-disagree"),
    GROUPS_AGREE(Room.RESECTION, "groups-agree"),
    MARK_FOUND(Room.RESECTION, "mark-found"),
    SCALE_SUSPECT(Room.RESECTION, "scale-suspect"),
    SCALE_UNKNOWN(Room.RESECTION, "scale-unknown"),
    NAMES_SWAPPED(Room.RESECTION, "names-swapped"),
    ELEVATION_ROUND_ERROR(Room.RESECTION, "elevation-round-error"),
    RESECTION_UNDETERMINED(Room.RESECTION, "resection-undetermined"),
    NOTHING_CHECKED(Room.RESECTION, "nothing-checked"),
    OPEN_TRAVERSE(Room.FIGURE, "open-traverse"),
    DATUM_UNCHECKED(Room.FIGURE, "datum-unchecked"),
    MISCLOSURE_ANGLE(Room.FIGURE, "misclosure-angle"),
    MISCLOSURE_LINEAR(Room.FIGURE, "misclosure-linear"),
    MISCLOSURE_ELEVATION(Room.FIGURE, "misclosure-elevation"),
    BLUNDER_SUSPECT(Room.FIGURE, "blunder-suspect"),
    CLOSING_ALIAS(Room.FIGURE, "closing-alias"),
    BOTH_WAYS_DIFFER(Room.FIGURE, "both-ways-differ"),
    REFRACTION_IMPLIED(Room.FIGURE, "refraction-implied"),
    ADOPTION_WITHOUT_EFFECT(Room.FIGURE, "adoption-without-effect"),
    NETWORK_TEST(Room.FIGURE, "network-test"),
    NETWORK_RESIDUAL(Room.FIGURE, "network-residual"),
    SECOND_FIX(Room.COORDINATES, "second-fix"),
    ONE_RAY(Room.COORDINATES, "one-ray"),
    ONE_SIGHT_MORE(Room.COORDINATES, "one-sight-more"),
    TWO_PLACES(Room.COORDINATES, "two-places"),
    WEAK_INTERSECTION(Room.COORDINATES, "weak-intersection"),
    REFERENCE_DISTANCE(Room.COORDINATES, "reference-distance"),
    TYPED_LIMIT(Room.COORDINATES, "typed-limit");

    /** What a rule looks at. */
    public enum Room {
        /** A setup's care. */
        SETUP,
        /** The sets. */
        SETS,
        /** The orientation by marks. */
        BACKSIGHT,
        /** A station among marks. */
        RESECTION,
        /** Figure and network. */
        FIGURE,
        /** Coordinates. */
        COORDINATES
    }

    private final Room room;
    private final String key;

    FindingCode(Room room, String key) {
        this.room = room;
        this.key = key;
    }

    public Room room() {
        return room;
    }

    /** The word by which files name it. */
    public String key() {
        return key;
    }

    /** The same: where it is shown it is that word. */
    @Override
    public String toString() {
        return key;
    }
}
