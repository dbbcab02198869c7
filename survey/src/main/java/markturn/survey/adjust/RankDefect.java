package markturn.survey.adjust;

/** Some combination of the unknowns is not determined by the observations. Whoever knows the field says it in its words. */
public final class RankDefect extends Exception {
    private static final long serialVersionUID = 1;

    RankDefect(String message) {
        super(message, null, false, false);
    }
}
