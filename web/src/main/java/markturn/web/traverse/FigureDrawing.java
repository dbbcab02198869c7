package markturn.web.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.finding.figure.Suspects;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.survey.show.TrueScale;

/**
 * The figure at true scale, and a lens at its end: the gap as an arrow over the ellipse that chance predicts, exaggerated as stated.
 * Drawing units; north is up.
 */
public record FigureDrawing(List<Dot> stations, String path, List<Doubt> doubts, Lens lens) {
    private static final double WIDTH = 520;
    private static final double HEIGHT = 300;
    private static final double BORDER = 40;
    private static final double LENS = 116;

    /** The middle of the lens, beneath the figure: over it, it would hide stations. */
    private static final double LENS_ACROSS = WIDTH / 2;

    private static final double LENS_DOWN = HEIGHT + 128;

    /** So near the right edge a name is written to the left. */
    private static final double NAME = 110;

    /**
     * A station of the route.
     *
     * @param leftwards whether its name runs to the left of it
     */
    public record Dot(String name, String x, String y, boolean leftwards) {}

    /** The lens: arrow from the known end to the carried one, and the ellipse of 95 %; empty texts where the figure is open. */
    public record Lens(
            String x, String y, String arrowX, String arrowY, String rx, String ry, String turn, String words) {}

    /** A suspect: a ring about a station where the line is empty, else along the line; its number in the table. */
    public record Doubt(String number, String line, String x, String y) {}

    static FigureDrawing of(Job job, MeasuredTraverse traverse, List<Suspects.SuspectWords> suspects) {
        List<Position> stations = traverse.stations();
        TrueScale scale = new TrueScale(stations, WIDTH, HEIGHT, BORDER);
        List<Dot> dots = new ArrayList<>();
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < stations.size(); i++) {
            String x = scale.x(stations.get(i));
            String y = scale.y(stations.get(i));
            path.append(i == 0 ? "M" : "L").append(x).append(' ').append(y);
            boolean repeated = traverse.loop() && i == stations.size() - 1;
            if (!repeated) {
                boolean leftwards = scale.across(stations.get(i)) > WIDTH - NAME;
                dots.add(new Dot(traverse.traverse().route().get(i), x, y, leftwards));
            }
        }
        return new FigureDrawing(dots, path.toString(), doubts(job, dots, suspects), lens(traverse, scale));
    }

    private static List<Doubt> doubts(Job job, List<Dot> dots, List<Suspects.SuspectWords> suspects) {
        List<Doubt> doubts = new ArrayList<>();
        for (int i = 0; i < suspects.size(); i++) {
            String number = String.valueOf(i + 1);
            Optional<Dot> from = dot(job, dots, suspects.get(i).from());
            Optional<Dot> to = dot(job, dots, suspects.get(i).to());
            if (from.isPresent() && to.isPresent()) {
                Dot one = from.get();
                Dot other = to.get();
                doubts.add(new Doubt(
                        number,
                        "M%s %sL%s %s".formatted(one.x(), one.y(), other.x(), other.y()),
                        half(one.x(), other.x()),
                        half(one.y(), other.y())));
            } else if (from.isPresent()) {
                doubts.add(new Doubt(number, "", from.get().x(), from.get().y()));
            }
        }
        return doubts;
    }

    private static Optional<Dot> dot(Job job, List<Dot> dots, String station) {
        return dots.stream()
                .filter(d -> !station.isEmpty() && job.trueName(d.name()).equals(job.trueName(station)))
                .findFirst();
    }

    private static String half(String one, String other) {
        return f((Double.parseDouble(one) + Double.parseDouble(other)) / 2);
    }

    private static Lens lens(MeasuredTraverse traverse, TrueScale figure) {
        if (traverse.northing().isEmpty()) {
            return new Lens("", "", "", "", "", "", "", "");
        }
        Covariance.Ellipse ellipse = traverse.predicted().plan().ellipse().of95();
        double semiMajor = ellipse.semiMajor();
        double semiMinor = ellipse.semiMinor();
        double largest = Math.max(1e-6, Math.max(traverse.linear().getAsDouble(), semiMajor));
        double scale = LENS / largest;
        boolean within = traverse.linear().getAsDouble() <= semiMajor;
        return new Lens(
                f(LENS_ACROSS),
                f(LENS_DOWN),
                f(traverse.easting().getAsDouble() * scale),
                f(-traverse.northing().getAsDouble() * scale),
                f(Math.max(1, semiMinor * scale)),
                f(Math.max(1, semiMajor * scale)),
                f(Math.toDegrees(ellipse.azimuth())),
                "The gap%s lies %s what chance predicts%s"
                        .formatted(
                                enlarged(scale / figure.perMetre()),
                                within ? "within" : "outside",
                                within ? "." : ": look."));
    }

    /** To two digits; a gap as large as the figure is not enlarged at all. */
    private static String enlarged(double times) {
        double round = Math.pow(10, Math.floor(Math.log10(times)) - 1);
        return times < 2 ? "" : ", %s times enlarged,".formatted(Words.number(Math.round(times / round) * round, 0));
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
