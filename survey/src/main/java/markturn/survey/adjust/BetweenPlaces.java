package markturn.survey.adjust;

/** An observation of one place from another. */
public interface BetweenPlaces extends Observed {
    /**
     * How its value changes as its far end moves north, and east, by a metre; also where that end is held.
     *
     * @param north from the near end to the far one, metres; so the next, not both 0
     */
    double[] byFarEnd(double north, double east);
}
