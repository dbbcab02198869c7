package markturn.tripod.review;

import markturn.survey.finding.standing.Glance;
import markturn.survey.finding.words.Words;

/** How much of a job is proved, as a bar of {@link #LENGTH} drawing units that begins at {@link #FROM}. */
public record GlanceBar(Glance glance) {
    private static final double FROM = 10;
    private static final double LENGTH = 700;

    private double share(int marks) {
        int all = glance.proved().size()
                + glance.oneSight().size()
                + glance.untested().size();
        return all == 0 ? 0 : LENGTH * marks / all;
    }

    /** How long the part of what is proved is. */
    public double proved() {
        return share(glance.proved().size());
    }

    /** How long the part of what rests on one sight is. */
    public double oneSight() {
        return share(glance.oneSight().size());
    }

    /** How long the part of what nothing proves is. */
    public double untested() {
        return share(glance.untested().size());
    }

    /** Where the part of what rests on one sight begins. */
    public double oneSightFrom() {
        return FROM + proved();
    }

    /** Where the part of what nothing proves begins. */
    public double untestedFrom() {
        return oneSightFrom() + oneSight();
    }

    /** The same for who cannot see it. */
    public String words() {
        return glance.proved().size() + " proved, " + glance.oneSight().size() + " on one sight, "
                + glance.untested().size() + " untested";
    }

    /** Which setups nobody has accepted. */
    public String unproved() {
        return glance.unproved().isEmpty()
                ? "Every setup is accepted."
                : "Unproved: " + Words.names(glance.unproved()) + ".";
    }
}
