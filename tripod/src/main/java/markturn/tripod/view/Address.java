package markturn.tripod.view;

import java.util.Locale;
import markturn.survey.job.Reading;

/** Where the places of a job are, as links lead to them. */
public record Address(String job) {
    /** Of the job with that identifier. */
    public static Address ofJob(String id) {
        return new Address("/job/" + id);
    }

    /** A room of the job, or of one setup where it is named. */
    public String room(String room, String setup) {
        return job + "/" + room + (setup.isEmpty() ? "" : "/" + NameInAddress.of(setup));
    }

    /** The sheet of setting up. */
    public String setUp() {
        return job + "/setup";
    }

    /** The sheet of setting up, prepared for the same setup once more. */
    public String setUpAgain(String setup) {
        return setUp() + "?again=" + NameInAddress.value(setup);
    }

    /** The sheet of setting up, prepared for a setup that is planned. */
    public String planned(String setup) {
        return setUp() + "?planned=" + NameInAddress.value(setup);
    }

    /** Where the height of the instrument is corrected. */
    public String correctHeight(String setup) {
        return job + "/review/correct?what=instrumentHeight&setup=" + NameInAddress.value(setup);
    }

    /** The sheet of a setup. */
    public String turning(String setup) {
        return job + "/turning/" + NameInAddress.of(setup);
    }

    /** A sight back or a check, called for at a setup. */
    public String check(String setup, String target) {
        return sight(setup, Reading.Role.CHECK, target);
    }

    /** A sight on the left face, called for at a setup. */
    public String sight(String setup, Reading.Role role, String target) {
        return turning(setup) + "?role=" + role.name().toLowerCase(Locale.ROOT) + "&face=left&target="
                + NameInAddress.value(target);
    }

    /** The reviews of all setups. */
    public String reviews() {
        return job + "/review";
    }

    /** The review of a setup. */
    public String review(String setup) {
        return job + "/review/" + NameInAddress.of(setup);
    }

    /** Where a note of a setup is corrected. */
    public String correct(String setup) {
        return job + "/review/correct?setup=" + NameInAddress.value(setup);
    }

    /** Where the note beside a line is corrected. */
    public String correct(String setup, String line) {
        return job + "/review/correct?what=targetHeight&setup=" + NameInAddress.value(setup) + "&line="
                + NameInAddress.value(line);
    }

    /** The page of a mark. */
    public String mark(String name) {
        return job + "/point/" + NameInAddress.of(name);
    }

    /** The sheet that prepares the move from a setup to one of its targets. */
    public String move(String setup, String target) {
        return job + "/setup?from=" + NameInAddress.value(setup) + "&to=" + NameInAddress.value(target);
    }

    /** The detail of a setup. */
    public String detail(String setup) {
        return job + "/detail/" + NameInAddress.of(setup);
    }

    /** Setting out. */
    public String setOut() {
        return job + "/setout";
    }

    /** Setting out from a setup. */
    public String setOut(String setup) {
        return job + "/setout?setup=" + NameInAddress.value(setup);
    }
}
