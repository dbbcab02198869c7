package markturn.tripod.setout;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.locate.SetOut;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;

/** What is to be set out, as the page asks for it: a mark, a typed place, or a station and offset of a line; and what comes after it. */
public final class Wanted {
    private static final double SAME_PLACE = 1e-6;

    private final BookedJob book;
    private final Form form;
    private final Display show;

    public Wanted(BookedJob book, Form form, Display show) {
        this.book = book;
        this.form = form;
        this.show = show;
    }

    /** The position a field names; a fault of the field where the job has none for it. */
    public Optional<Position> position(String field) {
        if (form.isEmpty(field)) {
            return Optional.empty();
        }
        Optional<Position> at = book.result()
                .measured()
                .mark(book.job().trueName(form.text(field)))
                .flatMap(MeasuredMark::position);
        if (at.isEmpty()) {
            form.fault(
                    field,
                    Sentence.of(
                            "\"%s\" has no position in this job: expected the name of a mark that has one",
                            form.text(field)));
        }
        return at;
    }

    /** Where it lies; empty where nothing is asked, or a field is at fault. */
    public Optional<Position> place() {
        if (!form.isEmpty("point")) {
            return position("point");
        }
        if (!form.isEmpty("northing") || !form.isEmpty("easting")) {
            return typed();
        }
        OptionalDouble station = form.length(
                "station", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "a distance along the line");
        double offset = form.length(
                        "offset", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an offset to the right")
                .orElse(0);
        return station.isEmpty()
                ? Optional.empty()
                : line().map(l -> SetOut.OnLine.place(l.from(), l.to(), station.getAsDouble(), offset));
    }

    private Optional<Position> typed() {
        OptionalDouble north =
                form.length("northing", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "a northing");
        OptionalDouble east =
                form.length("easting", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an easting");
        OptionalDouble up =
                form.length("elevation", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an elevation");
        if (north.isEmpty() || east.isEmpty()) {
            form.fault(north.isEmpty() ? "northing" : "easting", "Empty: northing and easting go together");
            return Optional.empty();
        }
        return Optional.of(
                new Position(north.getAsDouble(), east.getAsDouble(), up, Covariance.NONE, OptionalDouble.empty()));
    }

    /** Two marks apart. */
    public record WantedLine(Position from, Position to) {}

    public Optional<WantedLine> line() {
        Optional<Position> from = position("from");
        Optional<Position> to = position("to");
        if (from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        if (from.get().distanceTo(to.get()) < SAME_PLACE) {
            form.fault("to", form.text("to") + " lies where the line begins: expected another mark");
            return Optional.empty();
        }
        return Optional.of(new WantedLine(from.get(), to.get()));
    }

    /** What it is called in sentences. */
    public String called() {
        if (!form.isEmpty("point")) {
            return form.text("point");
        }
        return form.isEmpty("station")
                ? "the place typed"
                : Sentence.of(
                        "station %s of %s to %s, %s to the right",
                        form.text("station"),
                        form.text("from"),
                        form.text("to"),
                        form.isEmpty("offset") ? show.number(0, 0) : form.text("offset"));
    }

    /** A free name for the next shot at it: what is set out is a point of its own, never the design's. */
    public String shotName() {
        String base = !form.isEmpty("point")
                ? form.text("point")
                : form.isEmpty("station") ? "place" : form.text("from") + "+" + form.text("station");
        String stem = base.substring(0, Math.min(base.length(), 45)) + " out ";
        int number = 1;
        while (book.job().mark(stem + number).isPresent()) {
            number++;
        }
        return stem + number;
    }

    /**
     * What is asked for after this one: the next station of the line, by what {@code every} says, its end last; or the next mark of the
     * same kind in the order of the job. Empty where nothing comes.
     *
     * @param station where the instrument stands, which is not set out from itself
     */
    public Optional<Map<String, String>> next(String station) {
        Map<String, String> asked = new LinkedHashMap<>();
        if (!form.isEmpty("point")) {
            return following(station).map(name -> {
                asked.put("point", name);
                return asked;
            });
        }
        OptionalDouble every = form.length("every", 0, Mark.Coordinates.FARTHEST, "a distance above 0");
        OptionalDouble here = form.length(
                "station", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "a distance along the line");
        Optional<WantedLine> line = line();
        if (every.isEmpty() || every.getAsDouble() == 0 || here.isEmpty() || line.isEmpty()) {
            return Optional.empty();
        }
        double end = line.get().from().distanceTo(line.get().to());
        if (here.getAsDouble() >= end - SAME_PLACE) {
            return Optional.empty();
        }
        for (String field : List.of("from", "to", "offset", "every")) {
            asked.put(field, form.text(field));
        }
        asked.put("station", show.length(Math.min(end, here.getAsDouble() + every.getAsDouble())));
        return Optional.of(asked);
    }

    private Optional<String> following(String station) {
        Job job = book.job();
        Optional<Mark.Kind> kind = job.mark(form.text("point")).map(Mark::kind);
        return book.result().measured().marks().stream()
                .dropWhile(m -> !m.name().equals(form.text("point")))
                .skip(1)
                .filter(m ->
                        m.position().isPresent() && Optional.of(m.mark().kind()).equals(kind))
                .map(MeasuredMark::name)
                .filter(name -> !name.equals(station))
                .findFirst();
    }
}
