package markturn.web.instrument;

import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.SetupsPlanned;
import markturn.survey.instrument.SetTest;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The test of an instrument: a job of its own, and its statement on one page. */
@Controller
class TestController {
    private final FieldBook fieldBook;
    private final InstrumentMemory memory;
    private final People people;

    TestController(FieldBook fieldBook, InstrumentMemory memory, People people) {
        this.memory = memory;
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @GetMapping("/job/{id}/equipment/test")
    String statement(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.JOB);
        List<TestStatement> statements = TestStatement.of(book, people);
        model.addAttribute("statements", statements);
        return "instrument/test";
    }

    /** Opens the job of a test: five targets, three sets on both faces, on a point without coordinates. */
    @PostMapping("/office/instrument/{serial}/test")
    String test(@PathVariable String serial, Principal who) {
        Instrument instrument = memory.forNewJob(serial).orElseThrow(NotHere::new);
        List<String> targets = IntStream.rangeClosed(1, SetTest.TARGETS)
                .mapToObj(i -> "TARGET " + i)
                .toList();
        Job job = Job.opened(
                        "Instrument test " + serial + ", " + LocalDate.now(),
                        "",
                        InstrumentView.UNITS,
                        ClassOfWork.of(ClassOfWork.Preset.PRECISE),
                        true,
                        Earth.USUAL)
                .plus(instrument)
                .plus(Reflector.NONE);
        for (String target : targets) {
            job = job.plus(Mark.named(target, Mark.Kind.LOCATED));
        }
        String id = fieldBook.open(job, who.getName(), Set.of(who.getName()));
        List<PlannedSetup> planned = IntStream.rangeClosed(1, 4)
                .mapToObj(series -> new PlannedSetup(
                        "Series " + series,
                        "TEST POINT",
                        PlannedSetup.Method.ANGLES,
                        instrument.name(),
                        SetTest.SETS,
                        PointingOrder.School.RETURNING,
                        targets.stream()
                                .map(target -> new PlannedSetup.Aim(
                                        target,
                                        target.equals(targets.get(0)) ? Reading.Role.BACKSIGHT : Reading.Role.FORESIGHT,
                                        Reflector.REFLECTORLESS))
                                .toList()))
                .toList();
        fieldBook.add(id, "planned", who.getName(), List.<EntryPayload>of(new SetupsPlanned(planned)));
        return "redirect:/job/" + id + "/setup";
    }
}
