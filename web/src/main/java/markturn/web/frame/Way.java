package markturn.web.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.Finding;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;

/** The way through a job in the order of the work: one place per act, and how each stands. */
public record Way(List<Act> acts) {
    /** How an act stands. */
    public enum State {
        DONE("done"),
        NEXT("next"),
        TROUBLE("trouble"),
        /** Can be looked at or gone on with at any time. */
        OPEN("open"),
        AHEAD("ahead");

        private final String word;

        State(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** One act: its name, where it is done, how it stands, and that in words. */
    public record Act(String name, String url, State state, String words) {}

    /** The way through that book. */
    public static Way through(BookedJob book) {
        Job job = book.job();
        String at = "/job/" + book.jobId();
        List<Act> acts = new ArrayList<>();
        acts.add(new Act("Job", at, State.DONE, job.classOfWork().preset().words()));
        long control = job.marks().stream()
                .filter(m -> m.kind() == Mark.Kind.CONTROL && m.given().isPresent())
                .count();
        boolean enough = control >= 2;
        acts.add(new Act(
                "Control marks",
                at + "/mark",
                enough ? State.DONE : State.NEXT,
                control + (control == 1 ? " mark" : " marks")));
        acts.add(new Act(
                "Set up",
                at + "/setup",
                job.setups().isEmpty() ? (enough ? State.NEXT : State.AHEAD) : State.DONE,
                job.setups().size() + (job.setups().size() == 1 ? " setup" : " setups")));
        Optional<Setup> current = current(book);
        acts.add(turning(book, current, at));
        acts.add(review(book, current, at));
        acts.add(detail(job, current, at));
        acts.add(closing(book, at));
        int positions = 0;
        for (MeasuredMark mark : book.result().measured().marks()) {
            positions += mark.from().isPresent() && mark.position().isPresent() ? 1 : 0;
        }
        acts.add(new Act(
                "Coordinates",
                at + "/point",
                positions > 0 ? State.OPEN : State.AHEAD,
                positions + (positions == 1 ? " new point" : " new points")));
        acts.add(new Act("Plan", at + "/plan", control + positions > 0 ? State.OPEN : State.AHEAD, ""));
        acts.add(new Act(
                "Set out", at + "/setout", current.isPresent() && positions > 0 ? State.OPEN : State.AHEAD, ""));
        acts.add(new Act("Deliver", at + "/deliver", positions > 0 ? State.OPEN : State.AHEAD, ""));
        return new Way(acts);
    }

    private static Act detail(Job job, Optional<Setup> current, String at) {
        long located =
                job.marks().stream().filter(m -> m.kind() == Mark.Kind.LOCATED).count();
        return new Act("Detail", at + "/detail", current.isEmpty() ? State.AHEAD : State.OPEN, located + " located");
    }

    private static Act closing(BookedJob book, String at) {
        int runs = book.result().measured().traverses().size();
        boolean possible = book.job().setups().size() >= 2;
        return new Act(
                "Traverse",
                at + "/traverse",
                possible ? State.OPEN : State.AHEAD,
                runs == 0 ? "" : runs + (runs == 1 ? " traverse" : " traverses"));
    }

    /** The setup in hand: the last one. */
    private static Optional<Setup> current(BookedJob book) {
        List<Setup> setups = book.job().setups();
        return setups.isEmpty() ? Optional.empty() : Optional.of(setups.get(setups.size() - 1));
    }

    private static Act turning(BookedJob book, Optional<Setup> current, String at) {
        if (current.isEmpty()) {
            return new Act("Turn the sets", at + "/setup", State.AHEAD, "");
        }
        Setup setup = current.get();
        int left = book.order(setup).pointings().remaining(setup).size();
        return new Act(
                "Turn the sets",
                at + "/turning/" + NamesInAddresses.of(setup.name()),
                left == 0 ? State.DONE : State.NEXT,
                setup.name() + ": " + (left == 0 ? "all turned" : left + " left"));
    }

    private static Act review(BookedJob book, Optional<Setup> current, String at) {
        if (current.isEmpty()) {
            return new Act("Review", at + "/setup", State.AHEAD, "");
        }
        long stops =
                book.result().findings().stream().filter(Finding::isOpenStop).count();
        int unproved = book.unproved().size();
        State state = stops > 0 ? State.TROUBLE : unproved > 0 ? State.NEXT : State.DONE;
        String words = stops > 0
                ? stops + (stops == 1 ? " stop open" : " stops open")
                : unproved > 0 ? unproved + " unproved" : "all accepted";
        return new Act("Review", at + "/review", state, words);
    }
}
