package markturn.survey.show;

import java.util.Collection;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Position;

/** Where places come to lie in a drawing at true scale, north up, within a border. Drawing units, as drawings write them. */
public final class TrueScale {
    /** Places nearer than this fill no drawing, metres. */
    private static final double LEAST = 1;

    private final double west;
    private final double north;
    private final double border;
    private final double scale;

    /** All of the places fit; without any the drawing is empty. */
    public TrueScale(Collection<Position> places, double width, double height, double border) {
        this.west = places.stream().mapToDouble(Position::easting).min().orElse(0);
        this.north = places.stream().mapToDouble(Position::northing).max().orElse(0);
        this.border = border;
        double east = places.stream().mapToDouble(Position::easting).max().orElse(0);
        double south = places.stream().mapToDouble(Position::northing).min().orElse(0);
        this.scale = Math.min(
                (width - 2 * border) / Math.max(LEAST, east - west),
                (height - 2 * border) / Math.max(LEAST, north - south));
    }

    /** The longest bar that fits: 1, 2 or 5 times a power of ten. */
    public static double niceBar(double most) {
        double power = Math.pow(10, Math.floor(Math.log10(most)));
        double times = most / power;
        return (times >= 5 ? 5 : times >= 2 ? 2 : 1) * power;
    }

    /** Drawing units to a metre. */
    public double perMetre() {
        return scale;
    }

    /** How far to the right. */
    public double across(Position at) {
        return border + (at.easting() - west) * scale;
    }

    /** How far down. */
    public double down(Position at) {
        return border + (north - at.northing()) * scale;
    }

    public String x(Position at) {
        return Words.number(across(at), 1);
    }

    public String y(Position at) {
        return Words.number(down(at), 1);
    }
}
