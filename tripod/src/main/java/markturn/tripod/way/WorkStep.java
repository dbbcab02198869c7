package markturn.tripod.way;

/** The steps of the way through the work, in its order: one word each for the package, the address and the tab. */
public enum WorkStep {
    JOB("Job", ""),
    CONTROL_MARKS("Control marks", "/mark"),
    PLANNING("Planning", "/planning"),
    SET_UP("Set up", "/setup"),
    TURN_THE_SETS("Turn the sets", "/turning"),
    REVIEW("Review", "/review"),
    DETAIL("Detail", "/detail"),
    TRAVERSE("Traverse", "/traverse"),
    COORDINATES("Coordinates", "/point"),
    PLAN("Plan", "/plan"),
    SET_OUT("Set out", "/setout"),
    DELIVER("Deliver", "/deliver");

    private final String words;
    private final String path;

    WorkStep(String words, String path) {
        this.words = words;
        this.path = path;
    }

    /** As its tab says it. */
    public String words() {
        return words;
    }

    /** Behind the address of a job. */
    public String path() {
        return path;
    }
}
