package markturn.web.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SortedMap;
import markturn.survey.angle.Angles;
import markturn.survey.job.Setup;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Display;

/**
 * The sets of a setup as a field book reduces them by hand: each face as read, their mean, the mean reduced to the first sight, and under
 * the sets the mean angle. It needs no coordinates and is made to be printed.
 *
 * @param sets the reduction, set by set
 * @param angles the mean of the sets, target by target
 * @param oriented what the zero was set to, where it was given, as an azimuth; empty where marks orient the setup
 */
record BookingForm(List<InSet> sets, List<Angle> angles, String oriented) {
    /** One set: its number and a row for each target. */
    record InSet(int number, List<Row> rows) {}

    /**
     * One target in one set, as people read angles; empty where that face was not read, or the set holds no zero.
     *
     * @param collimation half the difference of the faces, small angle
     */
    record Row(String target, String left, String right, String mean, String reduced, String collimation) {}

    /**
     * One target over all sets.
     *
     * @param direction its mean angle clockwise from the first sight
     * @param azimuth the same added to what the first sight was set to; empty where the circle is not oriented
     * @param spread standard deviation of the mean, small angle
     * @param residuals mean less set, small angles in the order of the sets
     */
    record Angle(String target, int sets, String direction, String azimuth, String spread, List<String> residuals) {}

    static BookingForm of(MeasuredSetup setup, Display show) {
        SortedMap<Integer, Double> zeros = setup.booked().zeros();
        List<SetAbstract> turned =
                setup.abstracts().stream().filter(a -> !a.fix().single()).toList();
        List<InSet> sets = new ArrayList<>();
        turned.stream()
                .flatMap(a -> a.fix().pointings().means().bySet().keySet().stream())
                .distinct()
                .sorted()
                .forEach(set -> sets.add(new InSet(set, rows(turned, set, zeros, show))));
        List<Angle> angles = turned.stream().map(a -> angle(setup, a, show)).toList();
        String oriented = setup.setup().orientation() instanceof Setup.ByAzimuth given
                ? show.azimuth(given.azimuth().radians())
                : "";
        return new BookingForm(sets, angles, oriented);
    }

    private static List<Row> rows(List<SetAbstract> turned, int set, SortedMap<Integer, Double> zeros, Display show) {
        List<Row> rows = new ArrayList<>();
        for (SetAbstract target : turned) {
            FaceMeans means = target.fix().pointings().means().bySet().get(set);
            if (means != null) {
                OptionalDouble reduced = zeros.containsKey(set)
                        ? OptionalDouble.of(Angles.onCircle(means.direction() - zeros.get(set)))
                        : OptionalDouble.empty();
                OptionalDouble right = means.right();
                rows.add(new Row(
                        target.target(),
                        show.angle(means.left()),
                        show.angle(right),
                        show.angle(means.direction()),
                        show.angle(reduced),
                        show.small(means.collimation())));
            }
        }
        return rows;
    }

    private static Angle angle(MeasuredSetup setup, SetAbstract target, Display show) {
        OptionalDouble azimuth =
                setup.orientation().isPresent() && target.direction().isPresent()
                        ? OptionalDouble.of(Angles.onCircle(setup.orientation().getAsDouble()
                                + target.direction().getAsDouble()))
                        : OptionalDouble.empty();
        return new Angle(
                target.target(),
                target.sets(),
                show.angle(target.direction()),
                azimuth.isPresent() ? show.azimuth(azimuth) : "",
                show.smallSize(target.stdDevMean()),
                target.residuals().stream().map(show::small).toList());
    }
}
