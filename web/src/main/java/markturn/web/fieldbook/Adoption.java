package markturn.web.fieldbook;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.CoordinatesAdopted;
import markturn.survey.finding.base.Basis;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.Position;

/** The adoption of a run's coordinates, as it is entered: which marks, by whom, when, why, and whether the own work is reviewed. */
public final class Adoption {
    private final String run;
    private final Map<String, String> target;
    private final List<AdoptedPlace> places = new ArrayList<>();

    private record AdoptedPlace(String mark, Position at, Optional<Mark.Deviations> stdDev) {
        String written() {
            return String.join(" ", mark, "" + at.northing(), "" + at.easting(), "" + at.elevation(), "" + stdDev);
        }
    }

    /**
     * @param run name of the run the coordinates come from
     * @param target what the decision is about
     */
    public Adoption(String run, Map<String, String> target) {
        this.run = run;
        this.target = target;
    }

    /** Takes in a mark's place, with its own precision. */
    public void take(String mark, Position at) {
        take(mark, at, Optional.of(at));
    }

    /**
     * Takes in a mark's place.
     *
     * @param precision the position whose precision stands for it; empty where none does
     */
    public void take(String mark, Position at, Optional<Position> precision) {
        places.add(new AdoptedPlace(mark, at, precision.map(Adoption::deviations)));
    }

    /** Tells what is adopted from anything else that might be: what is booked is what was shown. */
    public String shown() {
        return Shown.of(places.stream().map(AdoptedPlace::written).collect(Collectors.joining("\n")));
    }

    private static Mark.Deviations deviations(Position of) {
        return new Mark.Deviations(
                Math.sqrt(of.plan().nn()),
                Math.sqrt(of.plan().ee()),
                Math.sqrt(of.elevationVariance().orElse(0)));
    }

    /**
     * The entry's payload.
     *
     * @param by sign-in name of who adopts
     * @param shown the name that stays in the record
     */
    public CoordinatesAdopted payload(BookedJob book, String reason, String by, String shown) {
        Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);
        List<Adopted> adopted = places.stream()
                .map(place -> new Adopted(
                        place.mark(),
                        new Mark.Coordinates(
                                place.at().northing(),
                                place.at().easting(),
                                place.at().elevation()),
                        place.stdDev(),
                        run,
                        Optional.of(now),
                        shown,
                        reason))
                .toList();
        boolean own = book.job().setups().stream()
                .map(Setup::name)
                .anyMatch(setup -> book.observers(setup).contains(by));
        Map<String, Object> on = new HashMap<>(target);
        on.put(Basis.KEY, Basis.of(book.job()).text());
        return new CoordinatesAdopted(
                adopted,
                new Decision(
                        Optional.of(now),
                        shown,
                        Decision.ADOPT,
                        on,
                        reason,
                        Optional.empty(),
                        own ? Optional.of(Decision.SELF_REVIEWED) : Optional.empty()));
    }
}
