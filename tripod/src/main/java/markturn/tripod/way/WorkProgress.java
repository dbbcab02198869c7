package markturn.tripod.way;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredMarks;
import markturn.survey.show.Sentence;
import markturn.tripod.view.NameInAddress;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** The way through a job in the order of the work: one place per act, and how each stands. */
public record WorkProgress(List<Act> acts) {
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

    /** One step: which, where it is done, how it stands, and that in words. */
    public record Act(WorkStep step, String url, State state, String words) {
        /** As its tab says it. */
        public String name() {
            return step.words();
        }

        /** Its name, and how far it is where that can be said. */
        public String named() {
            return words.isEmpty() ? name() : name() + ": " + words;
        }

        private Shown at(WorkStep here) {
            boolean stands = step == here;
            return () -> Sheet.empty()
                    .with("name", name())
                    .with("address", url)
                    .with("state", state.word() + (stands ? " here" : ""))
                    .with("current", stands ? "step" : "")
                    .with("aloud", state.word() + ":")
                    .with("words", words);
        }
    }

    /** The way as a page shows it, standing at a step: one row for each act. */
    public List<Shown> at(WorkStep here) {
        return acts.stream().map(act -> act.at(here)).toList();
    }

    /** The way through that book. */
    public static WorkProgress through(BookedJob book) {
        Job job = book.job();
        String at = "/job/" + book.jobId();
        List<Act> acts = new ArrayList<>();
        acts.add(new Act(
                WorkStep.JOB,
                at + WorkStep.JOB.path(),
                State.DONE,
                job.classOfWork().preset().words()));
        int control = job.controlCount();
        boolean enough = control >= 2;
        acts.add(new Act(
                WorkStep.CONTROL_MARKS,
                at + WorkStep.CONTROL_MARKS.path(),
                enough ? State.DONE : State.NEXT,
                Sentence.count(control, "mark", "marks")));
        acts.add(new Act(
                WorkStep.PLANNING,
                at + WorkStep.PLANNING.path(),
                control > 0 ? State.OPEN : State.AHEAD,
                book.plans().isEmpty() ? "" : Sentence.count(book.plans().size(), "plan", "plans")));
        acts.add(new Act(
                WorkStep.SET_UP,
                at + WorkStep.SET_UP.path(),
                job.setups().isEmpty() ? (enough ? State.NEXT : State.AHEAD) : State.DONE,
                Sentence.count(job.setups().size(), "setup", "setups")));
        Optional<Setup> current = current(book);
        acts.add(turning(book, current, at));
        acts.add(review(book, current, at));
        acts.add(detail(job.locatedCount(), current, at));
        acts.add(closing(book, at));
        MeasuredMarks marks = book.result().measured().marks();
        boolean carried = marks.measured().stream().anyMatch(WorkProgress::isCarried);
        int fresh = (int)
                marks.newControl().stream().filter(WorkProgress::isCarried).count();
        acts.add(new Act(
                WorkStep.COORDINATES,
                at + WorkStep.COORDINATES.path(),
                carried ? State.OPEN : State.AHEAD,
                Sentence.count(fresh, "new mark", "new marks")));
        acts.add(new Act(
                WorkStep.PLAN, at + WorkStep.PLAN.path(), control > 0 || carried ? State.OPEN : State.AHEAD, ""));
        acts.add(new Act(
                WorkStep.SET_OUT,
                at + WorkStep.SET_OUT.path(),
                current.isPresent() && carried ? State.OPEN : State.AHEAD,
                ""));
        acts.add(new Act(WorkStep.DELIVER, at + WorkStep.DELIVER.path(), carried ? State.OPEN : State.AHEAD, ""));
        return new WorkProgress(acts);
    }

    private static boolean isCarried(MeasuredMark mark) {
        return mark.from().isPresent() && mark.position().isPresent();
    }

    private static Act detail(int located, Optional<Setup> current, String at) {
        return new Act(
                WorkStep.DETAIL,
                at + WorkStep.DETAIL.path(),
                current.isEmpty() ? State.AHEAD : State.OPEN,
                located + " located");
    }

    private static Act closing(BookedJob book, String at) {
        int runs = book.result().measured().traverses().size();
        boolean possible = book.job().setups().size() >= 2;
        return new Act(
                WorkStep.TRAVERSE,
                at + WorkStep.TRAVERSE.path(),
                possible ? State.OPEN : State.AHEAD,
                runs == 0 ? "" : Sentence.count(runs, "traverse", "traverses"));
    }

    /** The setup in hand: the last one. */
    private static Optional<Setup> current(BookedJob book) {
        List<Setup> setups = book.job().setups();
        return setups.isEmpty() ? Optional.empty() : Optional.of(setups.get(setups.size() - 1));
    }

    private static Act turning(BookedJob book, Optional<Setup> current, String at) {
        if (current.isEmpty()) {
            return new Act(WorkStep.TURN_THE_SETS, at + "/setup", State.AHEAD, "");
        }
        Setup setup = current.get();
        int left = book.order(setup).pointings().remaining(setup).size();
        return new Act(
                WorkStep.TURN_THE_SETS,
                at + "/turning/" + NameInAddress.of(setup.name()),
                left == 0 ? State.DONE : State.NEXT,
                setup.name() + ": " + (left == 0 ? "all turned" : left + " left"));
    }

    private static Act review(BookedJob book, Optional<Setup> current, String at) {
        if (current.isEmpty()) {
            return new Act(WorkStep.REVIEW, at + "/setup", State.AHEAD, "");
        }
        long stops =
                book.result().findings().stream().filter(Finding::isOpenStop).count();
        int unproved = book.unproved().size();
        State state = stops > 0 ? State.TROUBLE : unproved > 0 ? State.NEXT : State.DONE;
        String words = stops > 0
                ? Sentence.count(stops, "stop open", "stops open")
                : unproved > 0 ? unproved + " unproved" : "all accepted";
        return new Act(WorkStep.REVIEW, at + "/review", state, words);
    }
}
