package markturn.simulator;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.ClassOfWork.Preset;
import markturn.survey.job.Reading;
import markturn.survey.result.Observation;
import markturn.survey.result.Resected;

/** Slips that are planted in sound work, and what is said of them. */
final class Slips {
    private static final Preset WORK = Preset.ENGINEERING;
    /** What a slip in the plan is called where one mark is named, and where it is left open. */
    private static final Set<String> NAMES_ONE = Set.of("mark-disagrees", "faces-differ", "set-residual");

    private Slips() {}

    /** Where a slip is planted. */
    enum Where {
        RESECTION_3,
        RESECTION_4,
        OCCUPIED_2,
        OCCUPIED_3
    }

    /** What kind of slip. */
    enum What {
        KNOCKED_ALONG,
        KNOCKED_ACROSS,
        HEIGHT,
        CONSTANT,
        SWAPPED,
        DIGIT_DEGREE,
        DIGIT_TEN_MINUTES,
        DIGIT_MINUTE
    }

    /** One kind of slip in one kind of work. */
    record Slip(What what, Where where) {}

    static final List<Slip> ALL = List.of(
            new Slip(What.KNOCKED_ALONG, Where.RESECTION_3),
            new Slip(What.KNOCKED_ACROSS, Where.RESECTION_3),
            new Slip(What.KNOCKED_ALONG, Where.RESECTION_4),
            new Slip(What.KNOCKED_ACROSS, Where.RESECTION_4),
            new Slip(What.KNOCKED_ACROSS, Where.OCCUPIED_2),
            new Slip(What.KNOCKED_ACROSS, Where.OCCUPIED_3),
            new Slip(What.KNOCKED_ALONG, Where.OCCUPIED_3),
            new Slip(What.HEIGHT, Where.RESECTION_4),
            new Slip(What.CONSTANT, Where.RESECTION_3),
            new Slip(What.CONSTANT, Where.RESECTION_4),
            new Slip(What.SWAPPED, Where.RESECTION_4),
            new Slip(What.DIGIT_DEGREE, Where.RESECTION_4),
            new Slip(What.DIGIT_TEN_MINUTES, Where.RESECTION_4),
            new Slip(What.DIGIT_MINUTE, Where.RESECTION_4));

    /** How it came out over many jobs. */
    record Score(Slip slip, int times, int trials, int named, int open, int another, int silent) {
        @Override
        public String toString() {
            return String.format(
                    Locale.ROOT,
                    "%-20s %-12s %d times: named %3.0f %%, not told %3.0f %%, another blamed %3.1f %%, nothing said %3.0f %%",
                    slip.what().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                    slip.where().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                    times,
                    100.0 * named / trials,
                    100.0 * open / trials,
                    100.0 * another / trials,
                    100.0 * silent / trials);
        }
    }

    /** Plants a slip of so many times the detectable size in many jobs. */
    static Score tried(Slip slip, int times, int trials) {
        int named = 0;
        int open = 0;
        int another = 0;
        int silent = 0;
        for (long seed = 0; seed < trials; seed++) {
            switch (outcome(slip, times, seed)) {
                case NAMED -> named++;
                case OPEN -> open++;
                case ANOTHER -> another++;
                case SILENT -> silent++;
            }
        }
        return new Score(slip, times, trials, named, open, another, silent);
    }

    private enum Outcome {
        NAMED,
        OPEN,
        ANOTHER,
        SILENT
    }

    private static Outcome outcome(Slip slip, int times, long seed) {
        Random random = new Random(31 * seed + slip.what().ordinal());
        int marks = switch (slip.where()) {
            case OCCUPIED_2 -> 2;
            case RESECTION_3, OCCUPIED_3 -> 3;
            case RESECTION_4 -> 4;
        };
        String wrong = "C" + (1 + random.nextInt(marks));
        SurveyResult clean = observed(seed, slip, marks, wrong, 0);
        int sign = random.nextBoolean() ? 1 : -1;
        return judged(slip, wrong, observed(seed, slip, marks, wrong, sign * times * detectable(slip, clean, wrong)));
    }

    /** The smallest slip of a kind that shows four times in five, by what the program says of the clean job; metres. */
    private static double detectable(Slip slip, SurveyResult clean, String mark) {
        var setup = clean.measured().setups().get(0);
        if (slip.what() == What.HEIGHT) {
            return setup.observations().stream()
                    .filter(o -> o.target().equals(mark) && o.kind() == Observation.Kind.ELEVATION_DIFFERENCE)
                    .mapToDouble(o -> o.detectable().orElseThrow())
                    .findFirst()
                    .orElseThrow();
        }
        if (slip.what() == What.CONSTANT) {
            return 0.006;
        }
        return setup.resected()
                .flatMap(r -> r.sight(mark))
                .map(Resected.Sighted::detectable)
                .filter(d -> d.isPresent())
                .map(d -> d.getAsDouble())
                .orElse(0.012);
    }

    private static SurveyResult observed(long seed, Slip slip, int marks, String wrong, double size) {
        Random random = new Random(seed);
        World world = new World().with("F", 1000, 5000, 100);
        Campaign campaign = new Campaign(seed, world, WORK, Campaigns.instrument(2), Campaigns.prism(), 2);
        boolean free = slip.where() == Where.RESECTION_3 || slip.where() == Where.RESECTION_4;
        List<String> control = Campaigns.controlAround(campaign, world, random, marks, marks == 2 ? 3 : marks);
        if (free) {
            campaign.wanted("F");
        } else {
            campaign.control("F");
        }
        plant(campaign, world, slip, wrong, size);
        world.with("P1", 1070, 5060, 103);
        campaign.wanted("P1");
        if (free) {
            campaign.free("S1", "F", control, List.of("P1"));
        } else {
            campaign.occupy("S1", "F", control, List.of("P1"), List.of(control.get(0)));
        }
        return Survey.compute(campaign.job());
    }

    private static void plant(Campaign campaign, World world, Slip slip, String wrong, double size) {
        World.TruePlace at = world.at(wrong);
        double azimuth = Math.atan2(at.easting() - 5000, at.northing() - 1000);
        int digits = size == 0 ? 0 : 1;
        switch (slip.what()) {
            case KNOCKED_ALONG -> world.knock(wrong, size * Math.cos(azimuth), size * Math.sin(azimuth), 0);
            case KNOCKED_ACROSS -> world.knock(wrong, -size * Math.sin(azimuth), size * Math.cos(azimuth), 0);
            case HEIGHT -> world.knock(wrong, 0, 0, size);
            case CONSTANT -> campaign.leavesOn(size);
            case SWAPPED -> {
                if (size != 0) {
                    String other = wrong.equals("C1") ? "C2" : "C1";
                    World.TruePlace there = world.at(other);
                    world.with(wrong, there.northing(), there.easting(), there.elevation());
                    world.with(other, at.northing(), at.easting(), at.elevation());
                }
            }
            case DIGIT_DEGREE -> campaign.misread("S1", wrong, 1, Reading.Face.RIGHT, digits * Math.toRadians(1));
            case DIGIT_TEN_MINUTES ->
                campaign.misread("S1", wrong, 1, Reading.Face.RIGHT, digits * Math.toRadians(10 / 60.0));
            case DIGIT_MINUTE ->
                campaign.misread("S1", wrong, 1, Reading.Face.RIGHT, digits * Math.toRadians(1 / 60.0));
        }
    }

    private static Outcome judged(Slip slip, String wrong, SurveyResult result) {
        List<Finding> said = result.findings().stream()
                .filter(f -> f.severity() != Finding.Severity.NOTE
                        && Promises.BY_CHANCE.contains(f.code().key()))
                .toList();
        if (said.isEmpty()) {
            return Outcome.SILENT;
        }
        boolean another =
                said.stream().anyMatch(f -> NAMES_ONE.contains(f.code().key()) && !isPlanted(slip, wrong, f.target()));
        if (another) {
            return Outcome.ANOTHER;
        }
        Optional<Finding> left = said.stream()
                .filter(f -> f.code() == FindingCode.MARKS_DISAGREE)
                .findFirst();
        boolean named = switch (slip.what()) {
            case CONSTANT -> said.stream().anyMatch(f -> f.code() == FindingCode.SCALE_SUSPECT);
            case SWAPPED -> said.stream().anyMatch(f -> f.code() == FindingCode.NAMES_SWAPPED);
            default -> said.stream().anyMatch(f -> f.target().equals(wrong)) && left.isEmpty();
        };
        return named ? Outcome.NAMED : Outcome.OPEN;
    }

    private static boolean isPlanted(Slip slip, String wrong, String target) {
        return switch (slip.what()) {
            case CONSTANT -> false;
            case SWAPPED -> target.equals(wrong) || target.equals(wrong.equals("C1") ? "C2" : "C1");
            default -> target.equals(wrong);
        };
    }
}
