package markturn.fieldbook.wire;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;

/** What a schema cannot see: names used twice, names that are nowhere listed, heights that cannot be. */
public final class JobNames {
    private final Job job;
    private final List<Fault> faults;
    private final Set<String> marks;
    private final Set<String> reflectors;
    private final Set<String> instruments;

    private JobNames(Job job, List<Fault> faults) {
        this.job = job;
        this.faults = faults;
        this.marks = job.marks().stream().map(Mark::name).collect(Collectors.toSet());
        this.instruments = job.instruments().stream().map(Instrument::name).collect(Collectors.toSet());
        this.reflectors = job.reflectors().stream().map(Reflector::name).collect(Collectors.toSet());
        reflectors.add(Reflector.REFLECTORLESS);
    }

    /** @param faults takes what is wrong */
    public static void check(Job job, List<Fault> faults) {
        new JobNames(job, faults).check();
    }

    private void check() {
        unique("instruments", job.instruments(), Instrument::name);
        unique("reflectors", job.reflectors(), Reflector::name);
        unique("codes", job.codes(), Code::name);
        unique("marks", job.marks(), Mark::name);
        unique("setups", job.setups(), Setup::name);
        for (int i = 0; i < job.marks().size(); i++) {
            otherName(job.marks().get(i), "$.marks[" + i + "].sameAs");
            construction(job.marks().get(i), "$.marks[" + i + "].by");
        }
        for (int i = 0; i < job.setups().size(); i++) {
            setup(job.setups().get(i), "$.setups[" + i + "]");
        }
        unique("traverses", job.traverses(), Traverse::name);
        for (int i = 0; i < job.traverses().size(); i++) {
            Traverse traverse = job.traverses().get(i);
            for (int j = 0; j < traverse.route().size(); j++) {
                station(traverse.route().get(j), "$.traverses[" + i + "].route[" + j + "]");
            }
        }
        for (int i = 0; i < job.fixes().size(); i++) {
            mark(job.fixes().get(i).mark(), "$.fixes[" + i + "].mark");
        }
        for (int i = 0; i < job.references().size(); i++) {
            mark(job.references().get(i).one(), "$.references[" + i + "].from");
            mark(job.references().get(i).other(), "$.references[" + i + "].to");
        }
        for (int i = 0; i < job.adopted().size(); i++) {
            mark(job.adopted().get(i).mark(), "$.adopted[" + i + "].mark");
        }
    }

    private <T> void unique(String list, List<T> all, Function<T, String> name) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < all.size(); i++) {
            if (!seen.add(name.apply(all.get(i)))) {
                fault("$." + list + "[" + i + "].name", name.apply(all.get(i)), "used twice: expected another name");
            }
        }
    }

    private void otherName(Mark mark, String path) {
        if (mark.sameAs().isEmpty()) {
            return;
        }
        String same = mark.sameAs().get();
        mark(same, path);
        if (same.equals(mark.name()) || job.mark(same).flatMap(Mark::sameAs).isPresent()) {
            fault(path, same, "expected a mark that is not itself another name");
        }
    }

    private void construction(Mark mark, String path) {
        for (String base : mark.by().map(Construction::bases).orElse(List.of())) {
            mark(base, path);
            if (base.equals(mark.name())) {
                fault(path, base, "a point cannot rest on itself");
            } else if (job.mark(base).flatMap(Mark::by).isPresent()) {
                fault(path, base, "is placed by a construction itself: expected a point that was sighted");
            }
        }
    }

    private void mark(String name, String path) {
        listed(marks, name, path, "mark");
    }

    /** A station of a route: a mark, or a free station that the list of marks leaves out. */
    private void station(String name, String path) {
        if (job.setups().stream().noneMatch(s -> s.isFree() && s.station().equals(name))) {
            mark(name, path);
        }
    }

    private void listed(Set<String> names, String name, String path, String what) {
        if (!names.contains(name)) {
            fault(path, name, "no " + what + " of that name is listed");
        }
    }

    private void setup(Setup setup, String path) {
        List<Setup.LeftOut> leaveOut = setup.orientation().leaveOut();
        for (int i = 0; i < leaveOut.size(); i++) {
            mark(leaveOut.get(i).target(), path + ".leaveOut[" + i + "]");
        }
        if (!setup.isFree()) {
            mark(setup.station(), path + ".station");
            orientation(setup, path);
        }
        listed(instruments, setup.instrument(), path + ".instrument", "instrument");
        instrumentHeight(setup, path + ".instrumentHeight");
        for (int i = 0; i < setup.readings().size(); i++) {
            reading(setup, setup.readings().get(i), path + ".readings[" + i + "]");
        }
    }

    private void orientation(Setup setup, String path) {
        Set<String> sights = new HashSet<>();
        for (String sight : setup.orientation().sights()) {
            if (sight.isEmpty()) {
                continue;
            }
            mark(sight, path + ".orientation");
            if (job.trueName(sight).equals(job.trueName(setup.station()))) {
                fault(path + ".orientation", sight, "the station cannot be its own backsight");
            }
            if (!sights.add(sight)) {
                fault(path + ".orientation", sight, "named twice");
            }
        }
    }

    private void instrumentHeight(Setup setup, String path) {
        if (setup.instrumentHeight().isEmpty()) {
            if (!job.planOnly() && !setup.isFree()) {
                fault(
                        path,
                        "",
                        "missing: expected the height of the instrument; a job without heights says \"planOnly\": true");
            }
            return;
        }
        if (setup.instrumentHeight().get().taped() <= 0) {
            fault(path + ".value", "" + setup.instrumentHeight().get().value(), "expected a height above 0");
        } else if (instruments.contains(setup.instrument())) {
            notch(
                    setup.instrumentHeight().get(),
                    job.instrument(setup.instrument()).notch(),
                    path);
        }
    }

    private void reading(Setup setup, Reading reading, String path) {
        mark(reading.target(), path + ".target");
        if (job.trueName(reading.target()).equals(job.trueName(setup.station()))) {
            fault(path + ".target", reading.target(), "the instrument stands on it: expected another mark");
        }
        listed(reflectors, reading.reflector(), path + ".reflector", "reflector");
        if (reading.targetHeight().isEmpty() || !reflectors.contains(reading.reflector())) {
            return;
        }
        MeasuredHeight height = reading.targetHeight().get();
        notch(height, job.reflector(reading.reflector()).notch(), path + ".targetHeight");
    }

    private void notch(MeasuredHeight height, Optional<Notch> notch, String path) {
        if (height.to() == MeasuredHeight.To.AXIS) {
            return;
        }
        if (notch.isEmpty()) {
            fault(
                    path + ".to",
                    "notch",
                    "its notch is not described: expected axis, or a notch with radius and belowAxis");
        } else if (Math.min(height.value(), height.again().orElse(height.value()))
                <= notch.get().radius()) {
            fault(path + ".value", "" + height.value(), "expected a slope longer than the notch's radius");
        }
    }

    private void fault(String path, String value, String expected) {
        faults.add(new Fault(path, value, expected));
    }
}
