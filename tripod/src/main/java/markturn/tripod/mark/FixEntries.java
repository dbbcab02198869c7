package markturn.tripod.mark;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.FixNoted;
import markturn.fieldbook.FixStruck;
import markturn.fieldbook.MarkAdded;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Outcome;

/** What satellites gave for marks, as entries: one that is new gets it, of one that is known it is a check, or part of the network. */
public final class FixEntries {
    private final BookedJob book;

    /** In that book. */
    public FixEntries(BookedJob book) {
        this.book = book;
    }

    /** Enters a fix. */
    public Outcome enter(Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        String mark = form.name("mark", "the mark the antenna stood over");
        double northing = MarkForm.required(form, "fix-northing", "a northing");
        double easting = MarkForm.required(form, "fix-easting", "an easting");
        OptionalDouble elevation =
                form.length("fix-elevation", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an elevation");
        double plan = MarkForm.deviation(form, "fix-plan");
        double level = elevation.isPresent() ? MarkForm.deviation(form, "fix-level") : 0;
        Optional<MeasuredHeight> antenna = antennaHeight(form);
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        SatelliteFix fix = new SatelliteFix(
                        mark,
                        new Mark.Coordinates(northing, easting, elevation),
                        new Mark.Deviations(plan, plan, level),
                        form.text("use").equals("observation") ? SatelliteFix.Use.OBSERVATION : SatelliteFix.Use.CHECK)
                .withAntennaHeight(antenna);
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(mark).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(mark, Mark.Kind.NEW)));
        }
        payloads.add(new FixNoted(fix));
        return new Outcome.Entries(payloads);
    }

    /** The antenna over the mark: as measured, or the pole's height to its reflector and the fixed offset above that. */
    private Optional<MeasuredHeight> antennaHeight(Form form) {
        Optional<MeasuredHeight> height = form.height("fix-height", true, "a height over the mark");
        String pole = form.text("fix-pole");
        if (height.isEmpty() || pole.isEmpty()) {
            return height;
        }
        OptionalDouble below = book.job().reflectors().stream()
                .filter(reflector -> reflector.name().equals(pole))
                .map(Reflector::belowAntenna)
                .findFirst()
                .orElse(OptionalDouble.empty());
        if (below.isEmpty()) {
            form.fault("fix-height", pole + " is no combined pole: describe its antenna with the equipment");
            return height;
        }
        return height.map(h -> MeasuredHeight.toAxis(h.taped() + below.getAsDouble()));
    }

    /**
     * Strikes a fix out with a reason, or lets it stand again.
     *
     * @param typed its place among the fixes of the job as {@code place}
     * @return empty where there is none at that place
     */
    public Optional<Outcome> strike(boolean strikes, Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        OptionalInt place = IntStream.range(0, book.job().fixes().size())
                .filter(at -> String.valueOf(at).equals(form.text("place")))
                .findFirst();
        if (place.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(
                strikes && form.isEmpty("reason")
                        ? Outcome.message("A fix is struck out with a reason: it stays in the record.")
                        : Outcome.of(new FixStruck(place.getAsInt(), strikes ? form.text("reason") : "")));
    }
}
