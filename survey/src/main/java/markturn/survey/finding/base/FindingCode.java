package markturn.survey.finding.base;

/**
 * What can be found, each under the word by which files name it and the room its rule lives in. They stand in
 * the order of the work, by which findings of one severity are told. None is ever renamed; what it says, how
 * badly and when, stands in the rule that finds it.
 */
public enum FindingCode {
    STATION_UNKNOWN(Room.BACKSIGHT, "station-unknown"),
    BACKSIGHT_MISSING(Room.BACKSIGHT, "backsight-missing"),
    BACKSIGHT_UNKNOWN(Room.BACKSIGHT, "backsight-unknown"),
    RESECTION_UNDETERMINED(Room.RESECTION, "resection-undetermined"),
    NAMES_SWAPPED(Room.RESECTION, "names-swapped"),
    MARK_DISAGREES(Room.RESECTION, "mark-disagrees"),
    MARKS_DISAGREE(Room.RESECTION, "marks-disagree"),
    ELEVATION_ROUND_ERROR(Room.RESECTION, "elevation-round-error"),
    SCALE_SUSPECT(Room.RESECTION, "scale-suspect"),
    GROUPS_AGREE(Room.RESECTION, "groups-agree"),
    NOTHING_CHECKED(Room.RESECTION, "nothing-checked"),
    WEAK_GEOMETRY(Room.RESECTION, "weak-geometry"),
    TWO_MARKS(Room.RESECTION, "two-marks"),
    DANGER_CIRCLE(Room.RESECTION, "danger-circle"),
    OUTSIDE_MARKS(Room.RESECTION, "outside-marks"),
    NO_COMMON_SET(Room.SETS, "no-common-set"),
    FACES_DIFFER(Room.SETS, "faces-differ"),
    WRONG_TARGET(Room.SETS, "wrong-target"),
    BACKSIGHT_DISTANCE(Room.BACKSIGHT, "backsight-distance"),
    BACKSIGHT_ELEVATION(Room.BACKSIGHT, "backsight-elevation"),
    BACKSIGHT_OTHER_MARK(Room.BACKSIGHT, "backsight-other-mark"),
    HEIGHT_MEASURED_TO(Room.SETUP, "height-measured-to"),
    REFLECTOR_CONSTANT(Room.SETUP, "reflector-constant"),
    HEIGHT_TWICE(Room.SETUP, "height-twice"),
    HEIGHT_AFTER_MOVE(Room.SETUP, "height-after-move"),
    PLUMMET_OFFSET(Room.SETUP, "plummet-offset"),
    ORIENTATION_APPROXIMATE(Room.BACKSIGHT, "orientation-approximate"),
    ORIENTATION_GIVEN(Room.BACKSIGHT, "orientation-given"),
    SCALE_UNKNOWN(Room.RESECTION, "scale-unknown"),
    HALF_SET_CLOSURE(Room.SETS, "half-set-closure"),
    BACKSIGHT_DRIFT(Room.BACKSIGHT, "backsight-drift"),
    CLOSING_SIGHT_MISSING(Room.SETS, "closing-sight-missing"),
    SET_RESIDUAL(Room.SETS, "set-residual"),
    COLLIMATION_SPREAD(Room.SETS, "collimation-spread"),
    INDEX_SPREAD(Room.SETS, "index-spread"),
    COLLIMATION_JUMP(Room.SETS, "collimation-jump"),
    DISTANCE_SPREAD(Room.SETS, "distance-spread"),
    ONE_SET(Room.SETS, "one-set"),
    FACE_MISSING(Room.SETS, "face-missing"),
    SHORT_BACKSIGHT(Room.BACKSIGHT, "short-backsight"),
    ZERO_HEIGHT(Room.SETUP, "zero-height"),
    HEIGHT_UNLIKELY(Room.SETUP, "height-unlikely"),
    NOT_LEVELLED(Room.SETUP, "not-levelled"),
    PRISM_ON_REFLECTORLESS(Room.SETUP, "prism-on-reflectorless"),
    PPM_UNSET(Room.SETUP, "ppm-unset"),
    MARK_FOUND(Room.RESECTION, "mark-found"),
    BOTH_WAYS_DIFFER(Room.FIGURE, "both-ways-differ"),
    REFERENCE_DISTANCE(Room.COORDINATES, "reference-distance"),
    REFRACTION_IMPLIED(Room.FIGURE, "refraction-implied"),
    MISCLOSURE_ANGLE(Room.FIGURE, "misclosure-angle"),
    MISCLOSURE_LINEAR(Room.FIGURE, "misclosure-linear"),
    MISCLOSURE_ELEVATION(Room.FIGURE, "misclosure-elevation"),
    BLUNDER_SUSPECT(Room.FIGURE, "blunder-suspect"),
    OPEN_TRAVERSE(Room.FIGURE, "open-traverse"),
    CLOSING_ALIAS(Room.FIGURE, "closing-alias"),
    NETWORK_TEST(Room.FIGURE, "network-test"),
    NETWORK_RESIDUAL(Room.FIGURE, "network-residual"),
    DATUM_UNCHECKED(Room.FIGURE, "datum-unchecked"),
    ADOPTION_WITHOUT_EFFECT(Room.FIGURE, "adoption-without-effect"),
    SECOND_FIX(Room.COORDINATES, "second-fix"),
    ONE_RAY(Room.COORDINATES, "one-ray"),
    TWO_PLACES(Room.COORDINATES, "two-places"),
    ONE_SIGHT_MORE(Room.COORDINATES, "one-sight-more"),
    WEAK_INTERSECTION(Room.COORDINATES, "weak-intersection"),
    COAXING(Room.SETS, "coaxing"),
    CANNOT_HOLD_CLASS(Room.SETS, "cannot-hold-class"),
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
