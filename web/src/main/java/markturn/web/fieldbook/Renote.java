package markturn.web.fieldbook;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.formats.Pieces;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A note changed afterwards. The readings stay as they were read; what was noted beside them is replaced, and a decision keeps what it was
 * before, who changed it and why.
 */
final class Renote {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Book book;
    private final JsonNode payload;
    private final Pieces pieces;

    private Renote(Book book, JsonNode payload) {
        this.book = book;
        this.payload = payload;
        this.pieces = new Pieces(book.job().units());
    }

    /**
     * The job with the note changed and the decision added.
     *
     * @throws Refused where there is nothing of that kind to change
     */
    static Job apply(Book book, Entry entry) {
        return new Renote(book, entry.payload()).apply(entry);
    }

    private Job apply(Entry entry) {
        String what = payload.get("what").asString();
        JsonNode after = payload.get("after");
        Job job = book.job();
        Job changed = switch (what) {
            case "instrumentHeight" -> job.withSetup(setup().name(), s -> s.withInstrumentHeight(pieces.height(after)));
            case "atmosphere" -> job.withSetup(setup().name(), s -> s.withAtmosphere(pieces.atmosphere(after)));
            case "reflectorConstant" ->
                job.withReflector(
                        payload.get("reflector").asString(),
                        r -> r.withConstant(pieces.reflector(after).constant()));
            case "earth" -> job.withEarth(pieces.earth(after));
            case "targetHeight" -> lines(r -> r.withTargetHeight(pieces.height(after)));
            case "reflector" -> lines(r -> r.withReflector(reflector(after.asString())));
            case "target" -> lines(r -> r.withTarget(target(after.asString())));
            case "role" -> lines(r -> r.withRole(Reading.Role.valueOf(after.asString())));
            case "applied" -> lines(r -> r.withApplied(applied(after, r)));
            case "appliedPpm" -> lines(r -> r.withApplied(appliedPpm(after, r)));
            default -> throw new Refused("what", "There is no note called " + what);
        };
        return changed.plus(new Decision(
                Optional.of(entry.at()),
                payload.path("by").asString(entry.by()),
                Decision.RENOTE,
                on(what),
                payload.path("reason").asString(""),
                Optional.of(JSON.convertValue(before(what), Object.class)),
                Optional.of(JSON.convertValue(after, Object.class))));
    }

    private Setup setup() {
        String name = payload.path("setup").asString("");
        return book.job()
                .setup(name)
                .orElseThrow(() -> new Refused("setup", "There is no setup " + name + " in this job"));
    }

    private Job lines(java.util.function.UnaryOperator<Reading> how) {
        Job job = book.job();
        for (Book.Place place : places()) {
            job = job.withSetup(place.setup(), s -> s.withReading(place.index(), how));
        }
        return job;
    }

    private List<Book.Place> places() {
        List<Book.Place> places = new java.util.ArrayList<>();
        for (JsonNode key : payload.path("lines")) {
            places.add(book.place(key.asString())
                    .orElseThrow(() -> new Refused("line", "There is no such line in this job")));
        }
        if (places.isEmpty()) {
            throw new Refused("line", "No line was chosen");
        }
        return places;
    }

    private Reading firstLine() {
        Book.Place place = places().get(0);
        return book.job().setup(place.setup()).orElseThrow().readings().get(place.index());
    }

    private JsonNode before(String what) {
        return switch (what) {
            case "instrumentHeight" ->
                setup().instrumentHeight().<JsonNode>map(pieces::write).orElse(JSON.nullNode());
            case "atmosphere" ->
                setup().atmosphere().<JsonNode>map(pieces::write).orElse(JSON.nullNode());
            case "reflectorConstant" ->
                pieces.write(book.job().reflector(payload.get("reflector").asString()));
            case "earth" -> pieces.write(book.job().earth());
            case "appliedPpm" -> pieces.write(firstLine()).path("applied").path("ppm");
            default -> pieces.write(firstLine()).path(what);
        };
    }

    private Map<String, Object> on(String what) {
        java.util.HashMap<String, Object> on = new java.util.HashMap<>(Map.of("note", what));
        if (payload.hasNonNull("setup")) {
            on.put("setup", payload.get("setup").asString());
        }
        if (payload.hasNonNull("reflector")) {
            on.put("reflector", payload.get("reflector").asString());
        }
        if (payload.hasNonNull("lines")) {
            List<Integer> readings = places().stream().map(Book.Place::index).toList();
            on.put("setup", places().get(0).setup());
            on.put("readings", readings);
            on.put("target", firstLine().target());
        }
        return on;
    }

    private String reflector(String name) {
        if (!name.equals(markturn.survey.job.Reflector.REFLECTORLESS)
                && book.job().reflectors().stream().noneMatch(r -> r.name().equals(name))) {
            throw new Refused("after", "There is no reflector " + name + " in this job");
        }
        return name;
    }

    private String target(String name) {
        if (book.job().mark(name).isEmpty()) {
            throw new Refused("after", "There is no mark " + name + " in this job");
        }
        for (Book.Place place : places()) {
            String station = book.job().setup(place.setup()).orElseThrow().station();
            if (book.job().trueName(station).equals(book.job().trueName(name))) {
                throw new Refused("after", "The instrument stands on " + name + ": it cannot have sighted it");
            }
        }
        return name;
    }

    private static Reading.Applied appliedPpm(JsonNode after, Reading reading) {
        OptionalDouble constant =
                reading.applied().map(Reading.Applied::constant).orElse(OptionalDouble.empty());
        return new Reading.Applied(constant, OptionalDouble.of(after.doubleValue()));
    }

    private static Reading.Applied applied(JsonNode after, Reading reading) {
        OptionalDouble ppm = reading.applied().map(Reading.Applied::ppm).orElse(OptionalDouble.empty());
        return new Reading.Applied(OptionalDouble.of(after.doubleValue()), ppm);
    }
}
