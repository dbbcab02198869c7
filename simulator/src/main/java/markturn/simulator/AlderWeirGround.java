package markturn.simulator;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Code;
import markturn.survey.job.Joining;
import markturn.survey.job.Joining.Act;
import markturn.survey.job.Mark;

/** The ground at Alder Weir as it truly is, what is known of it, and the codes of its details. */
public final class AlderWeirGround {
    private AlderWeirGround() {}

    /** The world as it truly is, before anything was knocked. */
    public static World world() {
        return new World()
                .with("PILLAR 1", 2000.000, 5000.000, 41.250)
                .with("PILLAR 2", 2156.412, 5038.207, 42.118)
                .with("PILLAR 3", 2121.884, 4861.530, 43.306)
                .with("PILLAR 4", 1968.250, 4842.775, 40.972)
                .with("BAR 1", 2042.615, 4934.280, 39.214)
                .with("POND 1", 1931.604, 5127.318, 40.115)
                .with("POND 2", 2043.377, 5203.846, 40.486)
                .with("CREST 1", 2031.410, 4968.220, 39.052)
                .with("CREST 2", 2040.925, 4957.604, 39.049)
                .with("CREST 3", 2050.118, 4947.133, 39.055)
                .with("PASS 1", 2055.902, 4951.870, 38.410)
                .with("SLUICE 1", 1985.310, 5089.406, 39.870)
                .with("SLUICE 2", 1987.744, 5092.015, 39.866)
                .with("LEAT 1", 2010.226, 5160.538, 39.512)
                .with("LEAT 2", 2022.880, 5178.904, 39.478)
                .with("101", 1946.120, 5104.330, 40.310)
                .with("102", 1945.480, 5111.310, 40.305)
                .with("103", 1950.460, 5111.770, 40.420)
                .with("104", 1951.100, 5104.790, 40.415)
                .with("301", 1938.240, 5103.510, 40.180)
                .with("302", 1939.910, 5092.640, 40.255)
                .with("303", 1946.020, 5086.220, 40.390)
                .with("2001", 1957.330, 5130.740, 40.520)
                .with("2002", 1949.870, 5137.150, 40.610)
                .with("2003", 1940.580, 5141.690, 40.530);
    }

    static List<Mark> control() {
        World undisturbed = world();
        return List.of("PILLAR 1", "PILLAR 2", "PILLAR 3", "PILLAR 4").stream()
                .map(pillar -> {
                    World.TruePlace at = undisturbed.at(pillar);
                    return new Mark(
                            pillar,
                            Mark.Kind.CONTROL,
                            Optional.of(new Mark.Coordinates(
                                    at.northing(), at.easting(), OptionalDouble.of(at.elevation()))),
                            Optional.empty(),
                            "Alder Weir control list, spring",
                            Optional.of(Mark.Found.UNDISTURBED),
                            "",
                            Optional.empty());
                })
                .toList();
    }

    static final List<Code> CODES = List.of(
            code("CREST", "crest of the weir", 0, true, Code.Sign.DOT, Code.Stroke.SOLID),
            code("PASS", "fish pass", 0, false, Code.Sign.DIAMOND, Code.Stroke.SOLID),
            code("SLUICE", "sluice posts", 0, false, Code.Sign.SQUARE, Code.Stroke.SOLID),
            code("LEAT", "edge of the leat", 0, true, Code.Sign.DOT, Code.Stroke.DASHED),
            code("HUT", "hut, shed", 100, true, Code.Sign.PLUS, Code.Stroke.SOLID),
            code("WALL", "wall, foot of it", 300, true, Code.Sign.BAR, Code.Stroke.DOTTED),
            code("TREE", "tree, single", 2000, false, Code.Sign.STAR, Code.Stroke.SOLID));

    private static Code code(String name, String words, int first, boolean line, Code.Sign sign, Code.Stroke stroke) {
        Optional<Code.Numbers> numbers = first == 0
                ? Optional.empty()
                : Optional.of(new Code.Numbers(first == 2000 ? 2000 : first + 1, first == 2000 ? 2999 : first + 99));
        return new Code(name, words, numbers, OptionalDouble.of(2.000), line, sign, stroke);
    }

    /** A located point; the first of a line begins it. */
    static Mark located(String name, String called, int place, Act then) {
        boolean line = CODES.stream().anyMatch(c -> c.name().equals(called) && c.line());
        return Mark.named(name, Mark.Kind.LOCATED)
                .withCode(called)
                .withJoining(line ? Optional.of(new Joining(1, place == 1 ? Act.BEGIN : then)) : Optional.empty());
    }
}
