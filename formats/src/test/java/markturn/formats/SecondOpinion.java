package markturn.formats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import tools.jackson.databind.JsonNode;

/**
 * Occupied setups computed a second time, from the text of the format alone and with nothing of the program: no class of it is used. Metres
 * and radians; angles in degrees, minutes and seconds.
 */
final class SecondOpinion {
    static final double SECOND = Math.PI / 180 / 3600;

    /** A place and what its errors are made of; elevation always there. */
    record Place(double north, double east, double up, Sources inNorth, Sources inEast, Sources inUp) {
        static Place held(double north, double east, double up) {
            return new Place(north, east, up, new Sources(), new Sources(), new Sources());
        }
    }

    /** 10: an error as a sum over independent sources, by name: what one deviation of each does. */
    static final class Sources {
        private final Map<String, Double> effects = new HashMap<>();

        Sources plus(String source, double effect) {
            effects.merge(source, effect, Double::sum);
            return this;
        }

        Sources plus(Sources other, double times) {
            other.effects.forEach((source, effect) -> plus(source, effect * times));
            return this;
        }

        double stdDev() {
            return Math.sqrt(effects.values().stream().mapToDouble(e -> e * e).sum());
        }
    }

    /** One pointing. */
    record Sight(
            String target,
            String role,
            int set,
            boolean left,
            double circle,
            double zenith,
            Double slope,
            JsonNode of) {}

    /** The sights of one target that are meaned together. */
    record Fix(String target, String role, List<Sight> sights) {
        JsonNode of() {
            return sights.get(0).of();
        }
    }

    /** A fix as it comes out: direction, zenith, distance, how many of each, and the place. */
    static final class Ray {
        Fix fix;
        final Map<Integer, Double> directions = new TreeMap<>();
        final Map<Integer, Double> residuals = new TreeMap<>();
        final Map<Integer, Double> collimation = new TreeMap<>();
        final Map<Integer, Double> index = new TreeMap<>();
        Double direction;
        double directionCount;
        double zenith;
        double zenithCount;
        Double slope;
        double distanceCount;
        Double horizontal;
        double rise;
        Place place;
    }

    /** A setup as it comes out. */
    static final class Outcome {
        double orientation;
        /** Of the orientation, and of the instrument itself: north, east, axis. */
        Sources turning = new Sources();

        Sources inNorth = new Sources();
        Sources inEast = new Sources();
        Sources axis = new Sources();
        Double varianceFactor;
        final List<Ray> rays = new ArrayList<>();
        Double closing;
        Double longest;
    }

    /** A second look at a mark: where it was seen, null where it was sighted without a distance or a direction, and where it is. */
    record Check(String mark, String from, Place seen, Place known) {}

    final Map<String, Place> places = new LinkedHashMap<>();
    final Map<String, Outcome> setups = new LinkedHashMap<>();
    final List<Check> checks = new ArrayList<>();

    private final JsonNode job;
    private final Map<String, String> trueNames = new HashMap<>();

    SecondOpinion(JsonNode job) {
        this.job = job;
        for (JsonNode mark : job.get("marks")) {
            String name = mark.get("name").asString();
            trueNames.put(name, mark.path("sameAs").asString(name));
            if (mark.has("northing")) {
                places.put(
                        name,
                        Place.held(
                                mark.get("northing").doubleValue(),
                                mark.get("easting").doubleValue(),
                                mark.get("elevation").doubleValue()));
            }
        }
        for (JsonNode setup : job.get("setups")) {
            setups.put(setup.get("name").asString(), measured(setup));
        }
    }

    private Outcome measured(JsonNode setup) {
        Outcome out = new Outcome();
        boolean free = setup.get("method").asString().equals("resection");
        List<Sight> sights = sights(setup);
        // 2: against the first of the sights that orient; in a resection against the first backsight booked.
        String zero = free
                ? sights.get(0).target()
                : setup.at("/orientation/sights/0").asString();
        Map<Integer, Double> zeros = new HashMap<>();
        for (int set : sights.stream().map(Sight::set).distinct().toList()) {
            List<Sight> back = sights.stream()
                    .filter(s -> s.set() == set
                            && s.target().equals(zero)
                            && s.role().equals("backsight"))
                    .toList();
            if (!back.isEmpty()) {
                zeros.put(set, circleMean(back));
            }
        }
        for (Fix fix : fixes(sights, setup)) {
            out.rays.add(ray(setup, fix, zeros));
        }
        spread(out.rays, zeros.keySet());
        if (!free) {
            occupied(setup, out, zeros);
        }
        return out;
    }

    /** 19: a direction to a mark without a position, from an oriented setup. */
    private record Line(String setup, Place station, Outcome out, Ray ray) {}

    private final Map<String, List<Line>> lines = new LinkedHashMap<>();
    private final Set<String> intersected = new HashSet<>();

    private void occupied(JsonNode setup, Outcome out, Map<Integer, Double> zeros) {
        Place station = places.get(trueName(setup.get("station").asString()));
        orient(setup, station, out);
        for (Ray ray : out.rays) {
            if (ray.direction != null && ray.horizontal != null) {
                ray.place = carried(setup, station, out, ray);
            }
        }
        for (Ray ray : out.rays) {
            String mark = trueName(ray.fix.target());
            boolean alone = List.of("foresight", "detail").contains(ray.fix.role())
                    && !ray.fix.of().has("offset")
                    && ray.horizontal == null
                    && ray.direction != null;
            if (alone && (!places.containsKey(mark) || intersected.contains(mark))) {
                lines.computeIfAbsent(mark, m -> new ArrayList<>())
                        .add(new Line(setup.get("name").asString(), station, out, ray));
            } else {
                take(setup, ray);
            }
        }
        lines.forEach((mark, all) -> {
            boolean open = !places.containsKey(mark) || intersected.contains(mark);
            if (open && all.stream().map(Line::setup).distinct().count() > 1) {
                intersected.add(mark);
                places.put(mark, intersected(mark, all));
            }
        });
        close(setup, out, zeros);
    }

    /** Weighted least squares of two unknowns over azimuths, and how each source moves them. */
    private Place intersected(String mark, List<Line> all) {
        double[] at = meeting(
                all.get(0),
                all.stream()
                        .filter(l -> !l.setup().equals(all.get(0).setup()))
                        .findFirst()
                        .orElseThrow());
        double[] q = new double[3];
        for (int step = 0; step < 20; step++) {
            double[] n = new double[5];
            for (Line line : all) {
                double north = at[0] - line.station().north();
                double east = at[1] - line.station().east();
                double squared = north * north + east * east;
                double weight = 1 / directionVariance(line.ray(), Math.sqrt(squared));
                double misclosure = near(line.out().orientation + line.ray().direction - Math.atan2(east, north));
                double a = -east / squared;
                double b = north / squared;
                n[0] += weight * a * a;
                n[1] += weight * a * b;
                n[2] += weight * b * b;
                n[3] += weight * a * misclosure;
                n[4] += weight * b * misclosure;
            }
            double determinant = n[0] * n[2] - n[1] * n[1];
            q = new double[] {n[2] / determinant, -n[1] / determinant, n[0] / determinant};
            at[0] += q[0] * n[3] + q[1] * n[4];
            at[1] += q[1] * n[3] + q[2] * n[4];
        }
        Sources inNorth = new Sources();
        Sources inEast = new Sources();
        for (Line line : all) {
            double north = at[0] - line.station().north();
            double east = at[1] - line.station().east();
            double squared = north * north + east * east;
            double weight = 1 / directionVariance(line.ray(), Math.sqrt(squared));
            double a = -east / squared;
            double b = north / squared;
            double stood = reflector(line.ray().fix.of()).path("centringStdDev").doubleValue(0);
            String target = line.setup() + " " + mark;
            Sources turned = new Sources()
                    .plus(line.out().inNorth, a)
                    .plus(line.out().inEast, b)
                    .plus(line.out().turning, 1)
                    .plus(target + " north", a * stood)
                    .plus(target + " east", b * stood)
                    .plus(target + " direction " + line.out().rays.indexOf(line.ray()), pointing(line.ray()));
            inNorth.plus(turned, weight * (q[0] * a + q[1] * b));
            inEast.plus(turned, weight * (q[1] * a + q[2] * b));
        }
        return new Place(at[0], at[1], Double.NaN, inNorth, inEast, new Sources());
    }

    private static double[] meeting(Line one, Line other) {
        double first = one.out().orientation + one.ray().direction;
        double second = other.out().orientation + other.ray().direction;
        double north = other.station().north() - one.station().north();
        double east = other.station().east() - one.station().east();
        double along = (north * Math.sin(second) - east * Math.cos(second)) / Math.sin(second - first);
        return new double[] {
            one.station().north() + along * Math.cos(first), one.station().east() + along * Math.sin(first)
        };
    }

    /** What a ray adds: a position where its mark has none and its role gives one, else a check; a backsight neither. */
    private void take(JsonNode setup, Ray ray) {
        String mark = trueName(ray.fix.target());
        if (ray.fix.role().equals("backsight")) {
            return;
        }
        Place known = places.get(mark);
        if (known != null) {
            checks.add(new Check(mark, setup.get("name").asString(), ray.place, known));
        } else if (ray.place != null && !ray.fix.role().equals("check")) {
            places.put(mark, ray.place);
        }
    }

    private String trueName(String name) {
        return trueNames.getOrDefault(name, name);
    }

    /** 1: a reading without a set belongs to the circle of the latest numbered one before it, else to set 1. */
    private static List<Sight> sights(JsonNode setup) {
        List<Sight> sights = new ArrayList<>();
        int latest = 1;
        for (JsonNode reading : setup.get("readings")) {
            latest = reading.has("set") ? reading.get("set").intValue() : latest;
            if (reading.path("struck").isString()) {
                continue;
            }
            sights.add(new Sight(
                    reading.get("target").asString(),
                    reading.get("role").asString(),
                    latest,
                    reading.get("face").asString().equals("left"),
                    angle(reading.get("circle").asString()),
                    angle(reading.get("zenith").asString()),
                    reading.has("slope") ? reading.get("slope").doubleValue() : null,
                    reading));
        }
        return sights;
    }

    static double angle(String dms) {
        String[] parts = dms.split("-");
        return Math.toRadians(
                Double.parseDouble(parts[0]) + Double.parseDouble(parts[1]) / 60 + Double.parseDouble(parts[2]) / 3600);
    }

    /** As a circle shows it: tenths of a second, carried at sixty. */
    static String written(double angle) {
        long tenths = Math.floorMod(Math.round(angle / SECOND * 10), 360L * 36000);
        return String.format(
                Locale.ROOT, "%d-%02d-%02d.%d", tenths / 36000, tenths / 600 % 60, tenths / 10 % 60, tenths % 10);
    }

    /** 5: numbered readings of one target, height, reflector and offset; unnumbered ones alone, or two on opposite faces in a row. */
    private static List<Fix> fixes(List<Sight> sights, JsonNode setup) {
        List<Fix> fixes = new ArrayList<>();
        Sight before = null;
        for (Sight sight : sights) {
            boolean alone = !sight.of().has("set") && List.of("detail", "check").contains(sight.role());
            Fix last = fixes.isEmpty() ? null : fixes.get(fixes.size() - 1);
            boolean pair = alone
                    && before != null
                    && last.sights().size() == 1
                    && last.sights().get(0) == before
                    && !before.of().has("set")
                    && isSame(before, sight)
                    && before.left() != sight.left();
            Fix same = alone
                    ? (pair ? last : null)
                    : fixes.stream()
                            .filter(f -> f.of().has("set") && isSame(f.sights().get(0), sight))
                            .findFirst()
                            .orElse(null);
            if (same == null) {
                same = new Fix(sight.target(), sight.role(), new ArrayList<>());
                fixes.add(same);
            }
            same.sights().add(sight);
            before = sight;
        }
        return fixes;
    }

    private static boolean isSame(Sight one, Sight other) {
        return one.target().equals(other.target())
                && one.role().equals(other.role())
                && Objects.equals(one.of().get("targetHeight"), other.of().get("targetHeight"))
                && Objects.equals(one.of().get("reflector"), other.of().get("reflector"))
                && Objects.equals(one.of().get("offset"), other.of().get("offset"));
    }

    /** The mean of the face means, right turned by half a circle. */
    private static double circleMean(List<Sight> sights) {
        double reference = onLeft(sights.get(0));
        return reference + faceMean(sights, s -> near(onLeft(s) - reference));
    }

    private static double onLeft(Sight sight) {
        return sight.left() ? sight.circle() : sight.circle() - Math.PI;
    }

    private static double near(double angle) {
        return Math.IEEEremainder(angle, 2 * Math.PI);
    }

    private static double faceMean(List<Sight> sights, ToDoubleFunction<Sight> value) {
        double[] left = sights.stream().filter(Sight::left).mapToDouble(value).toArray();
        double[] right =
                sights.stream().filter(s -> !s.left()).mapToDouble(value).toArray();
        if (left.length == 0) {
            return mean(right);
        }
        return right.length == 0 ? mean(left) : (mean(left) + mean(right)) / 2;
    }

    private static double mean(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return sum / values.length;
    }

    private Ray ray(JsonNode setup, Fix fix, Map<Integer, Double> zeros) {
        Ray ray = new Ray();
        ray.fix = fix;
        Map<Integer, List<Sight>> sets = new TreeMap<>();
        fix.sights()
                .forEach(s ->
                        sets.computeIfAbsent(s.set(), n -> new ArrayList<>()).add(s));
        List<Double> zeniths = new ArrayList<>();
        List<Double> slopes = new ArrayList<>();
        sets.forEach((set, sights) -> {
            boolean full =
                    sights.stream().anyMatch(Sight::left) && sights.stream().anyMatch(s -> !s.left());
            if (full) {
                errors(ray, set, sights);
            }
            if (zeros.containsKey(set)) {
                ray.directions.put(set, near(circleMean(sights) - zeros.get(set)));
                ray.directionCount += full ? 1 : 0.5;
            }
            zeniths.add(faceMean(sights, s -> s.left() ? s.zenith() : 2 * Math.PI - s.zenith()));
            ray.zenithCount += full ? 1 : 0.5;
            List<Sight> measured =
                    sights.stream().filter(s -> s.slope() != null).toList();
            if (!measured.isEmpty()) {
                slopes.add(faceMean(measured, s -> corrected(setup, s)));
                ray.distanceCount++;
            }
        });
        if (!ray.directions.isEmpty()) {
            double first = ray.directions.values().iterator().next();
            ray.direction = first
                    + mean(ray.directions.values().stream()
                            .mapToDouble(d -> near(d - first))
                            .toArray());
        }
        ray.zenith = mean(zeniths.stream().mapToDouble(z -> z).toArray());
        if (!slopes.isEmpty()) {
            ray.slope = mean(slopes.stream().mapToDouble(s -> s).toArray());
            reduce(setup, ray);
        }
        return ray;
    }

    /** 12: mean less set; of three or more targets that stand in every set, each set's own mean residual is taken out. */
    private static void spread(List<Ray> rays, Set<Integer> sets) {
        List<String> seen = new ArrayList<>();
        List<Ray> complete = new ArrayList<>();
        for (Ray ray : rays) {
            ray.directions.forEach((set, direction) -> ray.residuals.put(set, near(ray.direction - direction)));
            boolean first = !seen.contains(ray.fix.target());
            seen.add(ray.fix.target());
            if (first && ray.fix.of().has("set") && ray.directions.keySet().containsAll(sets)) {
                complete.add(ray);
            }
        }
        if (complete.size() >= 3) {
            for (int set : sets) {
                double shift = mean(
                        complete.stream().mapToDouble(r -> r.residuals.get(set)).toArray());
                complete.forEach(r -> r.residuals.merge(set, -shift, Double::sum));
            }
        }
    }

    /** 3 of the practice: c = (L − (R ± 180°))/2 and i = (zL + zR − 360°)/2, of what was read on each face. */
    private static void errors(Ray ray, int set, List<Sight> sights) {
        List<Sight> left = sights.stream().filter(Sight::left).toList();
        List<Sight> right = sights.stream().filter(s -> !s.left()).toList();
        ray.collimation.put(set, near(circleMean(left) - circleMean(right)) / 2);
        ray.index.put(set, (faceMean(left, Sight::zenith) + faceMean(right, Sight::zenith)) / 2 - Math.PI);
    }

    /** S' = S + (K − K_set) + S·(ppm − ppm_set)·10⁻⁶, the refractivity after IAG 1999. */
    private double corrected(JsonNode setup, Sight sight) {
        double slope = sight.slope();
        JsonNode applied = sight.of().path("applied");
        double constant = reflector(sight.of()).path("constant").doubleValue(0);
        double more =
                applied.has("constant") ? constant - applied.get("constant").doubleValue() : 0;
        JsonNode air = setup.path("atmosphere");
        JsonNode instrument = job.at("/instruments/0");
        if (air.has("temperature") && instrument.has("wavelength") && applied.has("ppm")) {
            double right = refractivity(instrument, 15, 1013.25, 0)
                    - refractivity(
                            instrument,
                            air.get("temperature").doubleValue(),
                            air.get("pressure").doubleValue(),
                            air.path("vapour").doubleValue(0));
            more += slope * (right - applied.get("ppm").doubleValue()) * 1e-6;
        }
        return slope + more;
    }

    private static double refractivity(JsonNode instrument, double celsius, double pressure, double vapour) {
        double wave = instrument.get("wavelength").doubleValue();
        double group = 287.6155 + 4.88660 / (wave * wave) + 0.06800 / Math.pow(wave, 4);
        double kelvin = celsius + 273.15;
        return group * (273.15 / 1013.25) * pressure / kelvin - 11.27 * vapour / kelvin;
    }

    private JsonNode reflector(JsonNode reading) {
        for (JsonNode reflector : job.get("reflectors")) {
            if (reflector.get("name").equals(reading.get("reflector"))) {
                return reflector;
            }
        }
        throw new IllegalStateException("no such reflector");
    }

    private void reduce(JsonNode setup, Ray ray) {
        double refraction = job.at("/earth/refraction").doubleValue(0.13);
        double radius = job.at("/earth/radius").doubleValue(6371000);
        boolean curved = job.at("/earth/curvature").booleanValue(true);
        double across = ray.slope * Math.sin(ray.zenith);
        double up = ray.slope * Math.cos(ray.zenith);
        double level = curved ? across - (1 - refraction / 2) * up * across / radius : across;
        double rise = curved ? up + (1 - refraction) * across * across / (2 * radius) : up;
        ray.horizontal = level * scale();
        ray.rise = rise
                + setup.at("/instrumentHeight/value").doubleValue()
                - ray.fix.of().at("/targetHeight/value").doubleValue();
    }

    private double scale() {
        return job.at("/earth/scaleFactor").doubleValue(1);
    }

    private double figure(String name) {
        return job.at("/instruments/0/" + name).doubleValue(0);
    }

    private double directionVariance(Ray ray, double length) {
        double sigma = figure("directionStdDev") * SECOND;
        double centring = Math.pow(figure("centringStdDev"), 2)
                + Math.pow(reflector(ray.fix.of()).path("centringStdDev").doubleValue(0), 2);
        return sigma * sigma / ray.directionCount + centring / (length * length);
    }

    /** Without centring. */
    private double distanceVariance(Ray ray, double length) {
        return (Math.pow(figure("distanceStdDev"), 2) + Math.pow(figure("distancePpm") * 1e-6 * length, 2))
                / ray.distanceCount;
    }

    /** 8: the weighted mean over the sights that have coordinates; 10: what it and the instrument's place owe to each source. */
    private void orient(JsonNode setup, Place station, Outcome out) {
        String name = setup.get("name").asString();
        double centring = figure("centringStdDev");
        out.inNorth = new Sources().plus(station.inNorth(), 1).plus(name + " instrument north", -centring);
        out.inEast = new Sources().plus(station.inEast(), 1).plus(name + " instrument east", -centring);
        out.axis = new Sources().plus(station.inUp(), 1).plus(name + " instrument height", figure("heightStdDev"));
        List<double[]> said = new ArrayList<>();
        List<Sources> errors = new ArrayList<>();
        for (JsonNode sight : setup.at("/orientation/sights")) {
            Place known = places.get(trueName(sight.asString()));
            for (Ray ray : out.rays) {
                if (ray.fix.role().equals("backsight")
                        && ray.fix.target().equals(sight.asString())
                        && ray.direction != null) {
                    double north = known.north() - station.north();
                    double east = known.east() - station.east();
                    double azimuth = Math.atan2(east, north);
                    double length = Math.hypot(north, east);
                    double weighed = ray.horizontal != null ? ray.horizontal : length;
                    said.add(new double[] {azimuth - ray.direction, directionVariance(ray, weighed)});
                    double byNorth = -Math.sin(azimuth) / length;
                    double byEast = Math.cos(azimuth) / length;
                    String target = name + " " + trueName(ray.fix.target());
                    double stood =
                            reflector(ray.fix.of()).path("centringStdDev").doubleValue(0);
                    errors.add(new Sources()
                            .plus(known.inNorth(), byNorth)
                            .plus(known.inEast(), byEast)
                            .plus(out.inNorth, -byNorth)
                            .plus(out.inEast, -byEast)
                            .plus(target + " north", -stood * byNorth)
                            .plus(target + " east", -stood * byEast)
                            .plus(target + " backsight direction", pointing(ray)));
                }
            }
        }
        double first = said.get(0)[0];
        double weights = said.stream().mapToDouble(s -> 1 / s[1]).sum();
        out.orientation = first
                + said.stream().mapToDouble(s -> near(s[0] - first) / s[1]).sum() / weights;
        for (int i = 0; i < said.size(); i++) {
            out.turning.plus(errors.get(i), 1 / said.get(i)[1] / weights);
        }
        out.varianceFactor = said.size() < 2
                ? null
                : said.stream()
                                .mapToDouble(s -> Math.pow(near(s[0] - out.orientation), 2) / s[1])
                                .sum()
                        / (said.size() - 1);
    }

    private double pointing(Ray ray) {
        return figure("directionStdDev") * SECOND / Math.sqrt(ray.directionCount);
    }

    /** 7 and 10: the offset on the ground, and every source propagated through sine and cosine. */
    private Place carried(JsonNode setup, Place station, Outcome out, Ray ray) {
        JsonNode offset = ray.fix.of().path("offset");
        double azimuth = out.orientation + ray.direction;
        double along = ray.horizontal + offset.path("along").doubleValue(0) * scale();
        double across = offset.path("across").doubleValue(0) * scale();
        double north = along * Math.cos(azimuth) - across * Math.sin(azimuth);
        double east = along * Math.sin(azimuth) + across * Math.cos(azimuth);
        String name = setup.get("name").asString();
        String target = name + " " + trueName(ray.fix.target());
        String own = target + " from " + out.rays.indexOf(ray);
        double stood = reflector(ray.fix.of()).path("centringStdDev").doubleValue(0);
        double ranging = Math.sqrt(distanceVariance(ray, ray.horizontal));
        double leaning =
                ray.slope * Math.cos(ray.zenith) * figure("zenithStdDev") * SECOND / Math.sqrt(ray.zenithCount);
        double radius = job.at("/earth/radius").doubleValue(6371000);
        return new Place(
                station.north() + north,
                station.east() + east,
                station.up() + ray.rise + offset.path("up").doubleValue(0),
                new Sources()
                        .plus(out.inNorth, 1)
                        .plus(out.turning, -east)
                        .plus(own + " direction", -east * pointing(ray))
                        .plus(own + " distance", Math.cos(azimuth) * Math.sin(ray.zenith) * ranging)
                        .plus(own + " zenith", Math.cos(azimuth) * leaning)
                        .plus(target + " north", stood),
                new Sources()
                        .plus(out.inEast, 1)
                        .plus(out.turning, north)
                        .plus(own + " direction", north * pointing(ray))
                        .plus(own + " distance", Math.sin(azimuth) * Math.sin(ray.zenith) * ranging)
                        .plus(own + " zenith", Math.sin(azimuth) * leaning)
                        .plus(target + " east", stood),
                new Sources()
                        .plus(out.axis, 1)
                        .plus(
                                own + " zenith",
                                ray.horizontal * figure("zenithStdDev") * SECOND / Math.sqrt(ray.zenithCount))
                        .plus(own + " slope", Math.cos(ray.zenith) * ranging)
                        .plus(own + " refraction", ray.horizontal * ray.horizontal * 0.05 / (2 * radius))
                        .plus(
                                target + " height",
                                -reflector(ray.fix.of()).path("heightStdDev").doubleValue(0)));
    }

    /** 16: the last check on a backsight, against the mean of its own face, or of both. */
    private void close(JsonNode setup, Outcome out, Map<Integer, Double> zeros) {
        for (Ray ray : out.rays) {
            if (!ray.fix.role().equals("check")) {
                if (!ray.fix.role().equals("backsight") && ray.horizontal != null) {
                    out.longest = Math.max(out.longest == null ? 0 : out.longest, ray.horizontal);
                }
                continue;
            }
            for (Ray back : out.rays) {
                boolean same = back.fix.role().equals("backsight")
                        && trueName(back.fix.target()).equals(trueName(ray.fix.target()));
                if (same && ray.direction == null) {
                    out.closing = null;
                } else if (same) {
                    List<Boolean> faces = ray.fix.sights().stream()
                            .map(Sight::left)
                            .distinct()
                            .toList();
                    Map<Integer, List<Sight>> sets = new TreeMap<>();
                    back.fix.sights().stream()
                            .filter(s -> faces.contains(s.left()) && zeros.containsKey(s.set()))
                            .forEach(s -> sets.computeIfAbsent(s.set(), n -> new ArrayList<>())
                                    .add(s));
                    double before = mean(sets.entrySet().stream()
                            .mapToDouble(e -> near(circleMean(e.getValue()) - zeros.get(e.getKey())))
                            .toArray());
                    out.closing = near(ray.direction - before);
                }
            }
        }
    }
}
