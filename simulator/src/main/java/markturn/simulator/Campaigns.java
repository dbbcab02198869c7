package markturn.simulator;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Instrument;
import markturn.survey.job.Reflector;
import markturn.survey.job.Traverse;

/** The shapes of work in which promises are tried: chains, loops, free stations, networks. */
public final class Campaigns {
    /** Sets that each class asks for. Common practice, no source. */
    private static final int[] SETS = {4, 2, 1, 1};

    private Campaigns() {}

    /** An instrument of so many seconds; 2 mm + 2 ppm, heights and centring to a millimetre. */
    public static Instrument instrument(double seconds) {
        return new Instrument(
                "I1",
                seconds * Angles.SECOND,
                seconds * Angles.SECOND,
                0.002,
                2,
                0.001,
                0.001,
                OptionalDouble.empty(),
                Atmosphere.USUAL_REFERENCE,
                java.util.Optional.empty());
    }

    /** A prism on a tripod, centred and taped to a millimetre. */
    public static Reflector prism() {
        return new Reflector("R1", 0, 0.001, 0.001, java.util.Optional.empty());
    }

    private static Campaign campaign(long seed, World world, ClassOfWork.Preset work, Instrument instrument) {
        return new Campaign(seed, world, work, instrument, prism(), SETS[work.ordinal()]);
    }

    /** Some places along a line that winds a little, 60 m from each other, in a world that rises and falls. */
    private static World line(Random random, int setups) {
        World world = new World().with("A0", 940, 5000, 100).with("M0", 1000, 5000, 101);
        for (int i = 1; i <= setups; i++) {
            world.with("M" + i, 1000 + 60.0 * i, 5000 + 8 * random.nextGaussian(), 100 + 3 * random.nextGaussian());
        }
        return world;
    }

    /** A chain of legs of 60 m, each setup on the mark before, oriented by the one before that: M0 and A0 are control. */
    public static Tried chain(long seed, int setups, ClassOfWork.Preset work, Instrument instrument) {
        World world = line(new Random(seed), setups);
        Campaign campaign =
                campaign(seed, world, work, instrument).control("A0").control("M0");
        for (int i = 1; i <= setups; i++) {
            campaign.wanted("M" + i);
        }
        for (int i = 0; i < setups; i++) {
            String back = i == 0 ? "A0" : "M" + (i - 1);
            campaign.occupy("S" + (i + 1), "M" + i, List.of(back), List.of("M" + (i + 1)), List.of(back));
        }
        return new Tried(campaign, world, List.of("M" + setups), false);
    }

    /** A loop on one control mark, oriented by another, closed on it and adjusted by a rule. */
    public static Tried loop(
            long seed, int stations, ClassOfWork.Preset work, Instrument instrument, Traverse.Rule rule) {
        Random random = new Random(seed);
        World world = new World().with("A", 1000, 5000, 100).with("B", 850, 4900, 104);
        Campaign campaign = campaign(seed, world, work, instrument).control("A").control("B");
        List<String> route = new ArrayList<>(List.of("A"));
        double radius = 25 * (stations + 1);
        for (int i = 1; i <= stations; i++) {
            double at = 2 * Math.PI * i / (stations + 1);
            world.with(
                    "L" + i,
                    1000 + radius * (1 - Math.cos(at)) + 5 * random.nextGaussian(),
                    5000 + radius * Math.sin(at) + 5 * random.nextGaussian(),
                    100 + 2 * random.nextGaussian());
            campaign.wanted("L" + i);
            route.add("L" + i);
        }
        route.add("A");
        campaign.occupy("S0", "A", List.of("B"), List.of("L1", "L" + stations), List.of("B"));
        for (int i = 1; i <= stations; i++) {
            campaign.occupy(
                    "S" + i,
                    route.get(i),
                    List.of(route.get(i - 1)),
                    List.of(route.get(i + 1)),
                    List.of(route.get(i - 1)));
        }
        campaign.with(job -> job.with(new Traverse("Loop", route, rule, false)));
        return new Tried(campaign, world, route.subList(1, stations + 1), false);
    }

    /** Puts control marks around 1000, 5000, 60 to 180 m away, and enters them in the job: so many of the parts of the circle, in turn. */
    static List<String> controlAround(Campaign campaign, World world, Random random, int marks, int parts) {
        List<String> control = new ArrayList<>();
        double first = 2 * Math.PI * random.nextDouble();
        for (int i = 0; i < marks; i++) {
            double azimuth = first + 2 * Math.PI * (i + 0.4 * random.nextDouble()) / parts;
            double length = 60 + 120 * random.nextDouble();
            String name = "C" + (i + 1);
            world.with(
                    name,
                    1000 + length * Math.cos(azimuth),
                    5000 + length * Math.sin(azimuth),
                    100 + 8 * random.nextGaussian());
            campaign.control(name);
            control.add(name);
        }
        return control;
    }

    /** A free station among some control marks, and from it two marks; on one of them a setup that goes on. */
    public static Tried free(long seed, int marks, ClassOfWork.Preset work, Instrument instrument) {
        Random random = new Random(seed);
        World world = new World().with("F", 1000, 5000, 100);
        Campaign campaign = campaign(seed, world, work, instrument);
        List<String> control = controlAround(campaign, world, random, marks, marks);
        world.with("P1", 1070, 5060, 103).with("P2", 960, 5080, 98).with("P3", 1100, 5130, 101);
        campaign.wanted("F").wanted("P1").wanted("P2").wanted("P3");
        campaign.free("S1", "F", control, List.of("P1", "P2"));
        campaign.occupy("S2", "P1", List.of("F", "P2"), List.of("P3"), List.of());
        return new Tried(campaign, world, List.of("F", "P1", "P2", "P3"), false);
    }

    /** A grid of marks 80 m apart, control at its corners, every mark occupied and every neighbour sighted. */
    public static Tried network(long seed, int side, ClassOfWork.Preset work, Instrument instrument) {
        Random random = new Random(seed);
        World world = new World();
        Campaign campaign = campaign(seed, world, work, instrument);
        List<String> wanted = new ArrayList<>();
        for (int i = 0; i < side; i++) {
            for (int j = 0; j < side; j++) {
                String name = name(i, j);
                world.with(
                        name,
                        1000 + 80 * i + 8 * random.nextGaussian(),
                        5000 + 80 * j + 8 * random.nextGaussian(),
                        100 + 3 * random.nextGaussian());
                boolean corner = (i == 0 || i == side - 1) && (j == 0 || j == side - 1);
                if (corner) {
                    campaign.control(name);
                } else {
                    campaign.wanted(name);
                    wanted.add(name);
                }
            }
        }
        List<String> known = new ArrayList<>(List.of(name(0, 0), name(0, side - 1), name(side - 1, 0)));
        for (int i = 0; i < side; i++) {
            for (int j = 0; j < side; j++) {
                List<String> back = new ArrayList<>();
                List<String> fore = new ArrayList<>();
                for (int[] step : new int[][] {{0, -1}, {-1, 0}, {0, 1}, {1, 0}}) {
                    boolean inside = i + step[0] >= 0 && i + step[0] < side && j + step[1] >= 0 && j + step[1] < side;
                    if (inside) {
                        String to = name(i + step[0], j + step[1]);
                        (back.isEmpty() && known.contains(to) ? back : fore).add(to);
                    }
                }
                if (i + j == 0) {
                    back.add(name(0, side - 1));
                }
                campaign.occupy("S" + name(i, j), name(i, j), back, fore, List.of());
                known.addAll(fore);
            }
        }
        return new Tried(campaign, world, wanted, true);
    }

    private static String name(int i, int j) {
        return "N" + i + "-" + j;
    }

    /**
     * A job of known truth, and the marks whose precision is to be tried.
     *
     * @param network whether it is to be adjusted as a whole
     */
    public record Tried(Campaign campaign, World world, List<String> marks, boolean network) {}
}
