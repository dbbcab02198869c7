package markturn.web.fieldbook;

/** What an entry says. The names are stored; none is ever renamed. */
public enum EntryKind {
    /** A whole job file: how a job begins. */
    OPEN("open"),
    INSTRUMENT("instrument"),
    REFLECTOR("reflector"),
    MARK("mark"),
    /** A mark noted anew, with the reason. */
    MARK_NOTED("mark-noted"),
    /** Given coordinates are corrected or withdrawn, with the reason. */
    CONTROL_CORRECTED("control-corrected"),
    /** Many marks that came in together, as one act. */
    MARKS("marks"),
    /** A code, new or described anew. */
    CODE("code"),
    SETUP("setup"),
    /** A setup at which nothing was booked is taken back, with the reason. */
    SETUP_REMOVED("setup-removed"),
    /** Which targets are turned, and in how many sets. */
    ORDER("order"),
    READING("reading"),
    STRIKE("strike"),
    RESTORE("restore"),
    DECISION("decision"),
    /** A note changed afterwards: a height, a reflector, a name, a role, the air, a constant, what is assumed of the earth. */
    RENOTE("renote"),
    /** What of the marks is left out of a resection, with the reason. */
    LEAVE_OUT("leave-out"),
    /** The route of a traverse, and the rule that spreads its misclosure. */
    TRAVERSE("traverse"),
    /** Coordinates adopted by somebody with the reviewer's role: the one derived number that is kept, as a decision. */
    ADOPT("adopt"),
    /** A distance or height difference between two marks that is known without the instrument. */
    REFERENCE("reference"),
    /** What was adopted from a run is withdrawn, with the reason: the marks are again what the job computes. */
    WITHDRAW("withdraw"),
    /** A satellite fix of a mark. */
    FIX("fix"),
    /** A satellite fix struck out with a reason, or standing again without one. */
    FIX_STRUCK("fix-struck"),
    /** The work at a setup was interrupted: the circle may have changed. */
    BREAK("break"),
    /** A device takes the pen of a setup. */
    PEN("pen"),
    /** Simulated devices are put at the job's service. */
    PRACTICE("practice");

    private final String stored;

    EntryKind(String stored) {
        this.stored = stored;
    }

    String stored() {
        return stored;
    }

    static EntryKind of(String stored) {
        for (EntryKind kind : values()) {
            if (kind.stored.equals(stored)) {
                return kind;
            }
        }
        throw new IllegalStateException("entry of unknown kind " + stored);
    }
}
