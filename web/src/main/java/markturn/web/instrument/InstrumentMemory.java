package markturn.web.instrument;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.formats.JsonTrees;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.instrument.InstrumentShown;
import markturn.survey.instrument.Jump;
import markturn.survey.instrument.SetTest;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Reflector;
import markturn.survey.job.Units;
import markturn.survey.result.MeasuredSetup;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the office knows of its instruments, over all jobs: by serial number. */
@Service
public class InstrumentMemory {
    /** In these units profiles are written, whatever the units of the job they came from. */
    private static final Units PLAIN = new Units(LengthUnit.METRE, AngleUnit.DMS);

    private static final int MOST = 500;

    private final SetupFiguresRepository figures;
    private final OfficeInstruments instruments;
    private final Certificates certificates;

    InstrumentMemory(SetupFiguresRepository figures, OfficeInstruments instruments, Certificates certificates) {
        this.certificates = certificates;
        this.figures = figures;
        this.instruments = instruments;
    }

    /** Remakes what the setups of a job show of instruments that are known by a serial number, and gets to know new ones. */
    @Transactional
    public void remake(BookedJob book) {
        figures.deleteOfJob(book.jobId());
        SurveyResult result = book.resultInTheEnd();
        Map<String, Instrument> known = book.job().instruments().stream()
                .filter(i -> !i.serial().isEmpty())
                .collect(Collectors.toMap(Instrument::name, Function.identity()));
        known.values()
                .forEach(instrument -> meet(instrument, book.entries().get(0).by()));
        Instant opened = book.entries().get(0).at();
        for (MeasuredSetup setup : result.measured().setups()) {
            Instrument instrument = known.get(setup.setup().instrument());
            if (instrument != null) {
                InstrumentShown.from(setup, instrument)
                        .ifPresent(shown -> figures.save(new SetupFigures(
                                book.jobId(),
                                instrument.serial(),
                                shown.at().orElse(opened),
                                shown,
                                SetTest.directions(setup).isWhole())));
            }
        }
    }

    /** What an instrument showed, in order of time: the last setups of all jobs. */
    List<SetupFigures> history(String serial) {
        List<SetupFigures> latest = new ArrayList<>(figures.latest(serial, Limit.of(MOST)));
        Collections.reverse(latest);
        return latest;
    }

    /** Which setups of a history are jumps, by their place in it. */
    static Map<Integer, List<Jump>> jumps(List<SetupFigures> history) {
        List<Instrument.Remembered> remembered =
                history.stream().map(SetupFigures::remembered).toList();
        Map<Integer, List<Jump>> jumps = new java.util.TreeMap<>();
        for (int i = 0; i < remembered.size(); i++) {
            List<Jump> found = Jump.of(remembered.subList(0, i), remembered.get(i));
            if (!found.isEmpty()) {
                jumps.put(i, found);
            }
        }
        return jumps;
    }

    /** The instruments of the office as new jobs begin with them. */
    public List<Instrument> all() {
        return instruments.latest().stream().map(InstrumentMemory::read).toList();
    }

    /** An instrument as a new job begins with it, with what its last setups showed; empty where the office does not know it. */
    public Optional<Instrument> forNewJob(String serial) {
        List<OfficeInstrument> versions = instruments.versions(serial);
        if (versions.isEmpty()) {
            return Optional.empty();
        }
        Instrument profile = read(versions.get(versions.size() - 1));
        return Optional.of(profile.known(serial, lastShown(serial)));
    }

    /** What the last setups showed, in order of time. */
    public List<Instrument.Remembered> lastShown(String serial) {
        List<SetupFigures> latest = new ArrayList<>(figures.latest(serial, Limit.of(Jump.BEFORE)));
        Collections.reverse(latest);
        return latest.stream().map(SetupFigures::remembered).toList();
    }

    /** What a job should be told of the certificates of its equipment, in sentences: what is due, and how its reflectors were tested. */
    public List<String> told(Job job, LocalDate today) {
        List<String> told = new ArrayList<>();
        for (Instrument instrument : job.instruments()) {
            certificates.about(instrument.serial()).stream()
                    .findFirst()
                    .filter(c -> !instrument.serial().isEmpty() && c.isDue(today))
                    .ifPresent(c -> told.add("The certificate of " + instrument.name() + ", " + instrument.serial()
                            + ", was due on " + c.dueOn().orElseThrow() + "."));
        }
        for (Reflector reflector : job.reflectors()) {
            certificates.about(Certificate.REFLECTOR + reflector.name()).stream()
                    .findFirst()
                    .ifPresent(c -> told.add(reflector.name() + ", as tested on " + c.issuedOn() + ": " + c.words()
                            + (c.isDue(today)
                                    ? ". The test was due again on " + c.dueOn().orElseThrow()
                                    : "") + "."));
        }
        return told;
    }

    List<OfficeInstrument> versions(String serial) {
        return instruments.versions(serial);
    }

    List<SetupFiguresRepository.Used> used() {
        return figures.used();
    }

    /** An instrument that somebody described in a job becomes one of the office, unless it is one already. */
    private void meet(Instrument instrument, String by) {
        if (instruments.versions(instrument.serial()).isEmpty()) {
            note(instrument, by, "as described in the first job");
        }
    }

    /** From now on new jobs begin with it as it is given. */
    void note(Instrument instrument, String by, String reason) {
        instruments.save(new OfficeInstrument(
                instrument.serial(),
                JsonTrees.line(new JobWriter(PLAIN).instrument(instrument.known(instrument.serial(), List.of()))),
                Instant.now().truncatedTo(ChronoUnit.MILLIS),
                by,
                reason));
    }

    static Instrument read(OfficeInstrument version) {
        return JobReader.instrument(new Element(JsonTrees.read(version.profile()), "$", PLAIN, new ArrayList<>()));
    }
}
