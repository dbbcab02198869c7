package markturn.fieldbook;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.SetupReader;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * A note corrected. The readings stay as they were read; what was noted beside them is replaced, and a decision keeps what it was before,
 * who changed it and why.
 *
 * <p>Revision 2 writes a reflector's constant alone, in metres; revision 1 wrote the whole reflector.
 *
 * @param by shown name of who corrects it
 */
public record NoteCorrected(Note note, String by, String reason) implements EntryPayload {
    static NoteCorrected read(Element of, int revision) {
        return new NoteCorrected(note(of, revision), of.text("by"), of.text("reason"));
    }

    private static Note note(Element of, int revision) {
        List<String> lines = of.list("lines").stream().map(Element::text).toList();
        String what = of.text("what");
        return switch (what) {
            case "instrumentHeight" -> new Note.InstrumentHeight(of.text("setup"), SetupReader.height(of.at("after")));
            case "atmosphere" -> new Note.Air(of.text("setup"), JobReader.atmosphere(of.at("after")));
            case "reflectorConstant" ->
                new Note.ReflectorConstant(
                        of.text("reflector"),
                        revision < 2
                                ? JobReader.reflector(of.at("after")).constant()
                                : of.plain("after").orElse(0));
            case "earth" -> new Note.EarthAssumed(JobReader.earth(of.at("after")));
            case "targetHeight" -> new Note.TargetHeight(lines, SetupReader.height(of.at("after")));
            case "reflector" -> new Note.SightReflector(lines, of.text("after"));
            case "target" -> new Note.SightTarget(lines, of.text("after"));
            case "role" -> new Note.SightRole(lines, Reading.Role.valueOf(of.text("after")));
            case "applied" -> new Note.KeyedConstant(lines, of.plain("after").orElse(0));
            case "appliedPpm" -> new Note.KeyedPpm(lines, of.plain("after").orElse(0));
            default -> throw new IllegalStateException("note of unknown kind " + what);
        };
    }

    @Override
    public Kind kind() {
        return Kind.RENOTE;
    }

    @Override
    public void require(BookedJob book) {
        Job job = book.job();
        if (note instanceof Note.InstrumentHeight height) {
            Known.setup(job, height.setup());
        } else if (note instanceof Note.Air air) {
            Known.setup(job, air.setup());
        } else if (note instanceof Note.ReflectorConstant constant) {
            Known.reflector(job, constant.reflector(), "reflectorName");
        } else if (!(note instanceof Note.EarthAssumed)) {
            requireLines(book);
        }
        if (note instanceof Note.SightReflector sight) {
            Known.reflector(job, sight.after(), "after");
        } else if (note instanceof Note.SightTarget sight) {
            requireTarget(book, sight.after());
        }
    }

    private void requireLines(BookedJob book) {
        if (note.lines().isEmpty()) {
            throw new Refused("line", "No line was chosen");
        }
        note.lines().forEach(line -> Known.line(book, line, "line"));
    }

    private void requireTarget(BookedJob book, String name) {
        Known.mark(book.job(), name, "after");
        for (String setup : Known.setupsOf(book, note.lines())) {
            String station = book.job().setup(setup).orElseThrow().station();
            if (book.job().trueName(station).equals(book.job().trueName(name))) {
                throw new Refused("after", "The instrument stands on " + name + ": it cannot have sighted it");
            }
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        JobWriter writer = new JobWriter(draft.units());
        Tree before = before(draft, writer);
        Map<String, Object> on = on(draft);
        change(draft);
        draft.decisions()
                .add(new Decision(
                        Optional.of(entry.at()),
                        by.isEmpty() ? entry.by() : by,
                        Decision.RENOTE,
                        on,
                        reason,
                        before == Tree.NOTHING ? Optional.empty() : Optional.of(before.plain()),
                        Optional.of(after(draft, writer).plain())));
    }

    private void change(BookDraft draft) {
        if (note instanceof Note.InstrumentHeight height) {
            draft.setups().replace(height.setup(), s -> s.withInstrumentHeight(height.after()));
        } else if (note instanceof Note.Air air) {
            draft.setups().replace(air.setup(), s -> s.withAtmosphere(air.after()));
        } else if (note instanceof Note.ReflectorConstant constant) {
            draft.reflectors().replace(constant.reflector(), r -> r.withConstant(constant.after()));
        } else if (note instanceof Note.EarthAssumed earth) {
            draft.assume(earth.after());
        } else {
            draft.changeLines(note.lines(), this::changed);
        }
    }

    private Reading changed(Reading reading) {
        if (note instanceof Note.TargetHeight height) {
            return reading.withTargetHeight(height.after());
        } else if (note instanceof Note.SightReflector sight) {
            return reading.withReflector(sight.after());
        } else if (note instanceof Note.SightTarget sight) {
            return reading.withTarget(sight.after());
        } else if (note instanceof Note.SightRole sight) {
            return reading.withRole(sight.after());
        } else if (note instanceof Note.KeyedConstant keyed) {
            return reading.withApplied(new Reading.Applied(
                    OptionalDouble.of(keyed.after()),
                    reading.applied().map(Reading.Applied::ppm).orElse(OptionalDouble.empty())));
        } else if (note instanceof Note.KeyedPpm keyed) {
            return reading.withApplied(new Reading.Applied(
                    reading.applied().map(Reading.Applied::constant).orElse(OptionalDouble.empty()),
                    OptionalDouble.of(keyed.after())));
        }
        return reading;
    }

    private Tree before(BookDraft draft, JobWriter to) {
        if (note instanceof Note.InstrumentHeight height) {
            return draft.setups()
                    .find(height.setup())
                    .flatMap(Setup::instrumentHeight)
                    .<Tree>map(to::height)
                    .orElse(Tree.NOTHING);
        } else if (note instanceof Note.Air air) {
            return draft.setups()
                    .find(air.setup())
                    .flatMap(Setup::atmosphere)
                    .<Tree>map(NoteCorrected::air)
                    .orElse(Tree.NOTHING);
        } else if (note instanceof Note.ReflectorConstant constant) {
            return draft.reflectors()
                    .find(constant.reflector())
                    .<Tree>map(to::reflector)
                    .orElse(Tree.NOTHING);
        } else if (note instanceof Note.EarthAssumed) {
            return earth(draft.earth(), to);
        }
        Tree line = firstLine(draft).<Tree>map(to::reading).orElse(Tree.NOTHING);
        return note instanceof Note.KeyedPpm ? line.at("applied").at("ppm") : line.at(note.key());
    }

    private Tree after(BookDraft draft, JobWriter to) {
        if (note instanceof Note.InstrumentHeight height) {
            return to.height(height.after());
        } else if (note instanceof Note.Air air) {
            return air(air.after());
        } else if (note instanceof Note.ReflectorConstant constant) {
            return draft.reflectors()
                    .find(constant.reflector())
                    .<Tree>map(to::reflector)
                    .orElse(Tree.NOTHING);
        } else if (note instanceof Note.EarthAssumed assumed) {
            return earth(assumed.after(), to);
        }
        return written(to).at("after");
    }

    private static Fields earth(Earth earth, JobWriter to) {
        Fields holder = new Fields();
        to.earth(holder.putFields("earth"), earth);
        return holder;
    }

    private static Fields air(Atmosphere air) {
        Fields fields = new Fields();
        JobWriter.atmosphere(fields, air);
        return fields;
    }

    private Optional<Reading> firstLine(BookDraft draft) {
        return note.lines().stream()
                .flatMap(line -> draft.find(line).stream())
                .findFirst()
                .flatMap(place -> draft.readings(place.setup()).map(all -> all.get(place.index())));
    }

    private Map<String, Object> on(BookDraft draft) {
        Map<String, Object> on = new HashMap<>(Map.of("note", note.key()));
        if (note instanceof Note.InstrumentHeight height) {
            on.put("setup", height.setup());
        } else if (note instanceof Note.Air air) {
            on.put("setup", air.setup());
        } else if (note instanceof Note.ReflectorConstant constant) {
            on.put("reflector", constant.reflector());
        }
        List<ReadingPlace> places =
                note.lines().stream().flatMap(line -> draft.find(line).stream()).toList();
        if (!places.isEmpty()) {
            on.put("setup", places.get(0).setup());
            on.put("readings", places.stream().map(ReadingPlace::index).toList());
            firstLine(draft).ifPresent(line -> on.put("target", line.target()));
        }
        return on;
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("what", note.key()).put("by", by).put("reason", reason);
        if (note instanceof Note.InstrumentHeight height) {
            fields.put("setup", height.setup()).put("after", to.height(height.after()));
        } else if (note instanceof Note.Air air) {
            fields.put("setup", air.setup()).put("after", air(air.after()));
        } else if (note instanceof Note.ReflectorConstant constant) {
            fields.put("reflector", constant.reflector()).put("after", JobWriter.plain(constant.after()));
        } else if (note instanceof Note.EarthAssumed assumed) {
            fields.put("after", earth(assumed.after(), to));
        } else if (note instanceof Note.TargetHeight height) {
            fields.put("after", to.height(height.after()));
        } else if (note instanceof Note.SightReflector sight) {
            fields.put("after", sight.after());
        } else if (note instanceof Note.SightTarget sight) {
            fields.put("after", sight.after());
        } else if (note instanceof Note.SightRole sight) {
            fields.put("after", sight.after().name());
        } else if (note instanceof Note.KeyedConstant keyed) {
            fields.put("after", JobWriter.plain(keyed.after()));
        } else if (note instanceof Note.KeyedPpm keyed) {
            fields.put("after", JobWriter.plain(keyed.after()));
        }
        if (!note.lines().isEmpty()) {
            Items keys = fields.putItems("lines");
            note.lines().forEach(keys::add);
        }
        return fields;
    }
}
