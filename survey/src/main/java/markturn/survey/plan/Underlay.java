package markturn.survey.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.transform.InBoth;
import markturn.survey.transform.SystemFit;

/**
 * How a picture lies beneath a plan: an aerial picture, a scanned map. Picture points are counted from the upper left corner, across and
 * down.
 *
 * @param north northing of the corner, and what one picture point across and one down add to it, metres
 * @param east the same of the easting
 */
public record Underlay(double[] north, double[] east) {
    /** A known place and where it is seen in the picture. */
    public record Seen(Place place, double across, double down) {}

    private static final int NUMBERS = 6;

    /**
     * By places that are seen in it: two turn, shift and scale it, three and more stretch and skew it too.
     *
     * @return empty where they are fewer than two, or lie at one place or on one line
     */
    public static Optional<Underlay> by(List<Seen> seen) {
        List<InBoth> both = new ArrayList<>();
        for (Seen one : seen) {
            both.add(new InBoth(
                    "",
                    flat(-one.down(), one.across()),
                    flat(one.place().northing(), one.place().easting())));
        }
        return SystemFit.of(seen.size() > 2 ? SystemFit.Kind.AFFINE : SystemFit.Kind.SCALE_FREE, both)
                .map(Underlay::of);
    }

    private static Underlay of(SystemFit fit) {
        Mark.Coordinates corner = fit.apply(flat(0, 0));
        Mark.Coordinates across = fit.apply(flat(0, 1));
        Mark.Coordinates down = fit.apply(flat(-1, 0));
        return new Underlay(
                new double[] {
                    corner.northing(), across.northing() - corner.northing(), down.northing() - corner.northing()
                },
                new double[] {corner.easting(), across.easting() - corner.easting(), down.easting() - corner.easting()
                });
    }

    private static Mark.Coordinates flat(double northing, double easting) {
        return new Mark.Coordinates(northing, easting, OptionalDouble.empty());
    }

    /**
     * By a world file: six lines, easting and northing of a picture point across, of one down, of the middle of the first one, in this order:
     * across E, across N, down E, down N, E, N. The usual side file of pictures.
     *
     * @param metres of one unit of its numbers
     * @return empty where these are not six numbers that span a plane
     */
    public static Optional<Underlay> read(String worldFile, double metres) {
        double[] numbers = new double[NUMBERS];
        String[] lines = worldFile.strip().split("\\s+");
        if (lines.length != NUMBERS) {
            return Optional.empty();
        }
        try {
            for (int i = 0; i < NUMBERS; i++) {
                numbers[i] = Double.parseDouble(lines[i].replace(',', '.')) * metres;
            }
        } catch (NumberFormatException wrong) {
            return Optional.empty();
        }
        if (numbers[0] * numbers[3] - numbers[1] * numbers[2] == 0) {
            return Optional.empty();
        }
        // The file means the middle of the first picture point, a picture is laid down by its corner.
        double east = numbers[4] - (numbers[0] + numbers[2]) / 2;
        double north = numbers[5] - (numbers[1] + numbers[3]) / 2;
        return Optional.of(new Underlay(
                new double[] {north, numbers[1], numbers[3]}, new double[] {east, numbers[0], numbers[2]}));
    }

    /** The same of the picture drawn smaller: so many of the old picture points to one of the new. */
    public Underlay coarser(double times) {
        return new Underlay(
                new double[] {north[0], north[1] * times, north[2] * times},
                new double[] {east[0], east[1] * times, east[2] * times});
    }

    /** Where a picture point lies. */
    public Place at(double across, double down) {
        return new Place(north[0] + north[1] * across + north[2] * down, east[0] + east[1] * across + east[2] * down);
    }
}
