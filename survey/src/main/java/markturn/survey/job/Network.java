package markturn.survey.job;

/**
 * What is asked of the network: the whole job in one adjustment.
 *
 * @param run whether it is computed
 * @param adopt whether its coordinates take the place of the carried ones
 */
public record Network(boolean run, boolean adopt) {
    public static final Network NOT_ASKED = new Network(false, false);
}
