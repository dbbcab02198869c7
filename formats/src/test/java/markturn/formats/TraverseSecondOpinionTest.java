package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;
import markturn.survey.Survey;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Seeded loops and links, turned with errors, against a hand computation that shares no code with the program: azimuths carried and
 * balanced, latitudes and departures, compass and transit rule, elevations by length. Source: the format (13) and textbook plane surveying.
 */
class TraverseSecondOpinionTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double CLASS_ANGLE = 10;

    /** How the figure runs. */
    enum Figure {
        /** Round to its start, where the ray to the last station is held. */
        LOOP,
        /** Round to its start, which nothing orients again. */
        LOOP_WITHOUT_RAY,
        /** To another known mark, where a second known mark orients. */
        LINK,
        /** To another known mark that nobody stood on. */
        LINK_WITHOUT_AZIMUTH
    }

    /** A seeded figure: station 0 and the last are known, K orients the start and M the end. */
    private static final class Turned {
        private final Figure figure;
        private final Random random;
        private final double[][] places;
        private final int legs;
        private final List<String> setups = new ArrayList<>();

        Turned(Figure figure, long seed) {
            this.figure = figure;
            this.random = new Random(seed);
            this.legs = 3 + random.nextInt(7);
            this.places = new double[legs + 1][];
            boolean loop = figure == Figure.LOOP || figure == Figure.LOOP_WITHOUT_RAY;
            for (int i = 0; i <= legs; i++) {
                double along = 2 * Math.PI * i / legs;
                places[i] = loop
                        ? new double[] {
                            1000 + 200 * Math.cos(along) + 20 * random.nextDouble(),
                            5000 + 300 * Math.sin(along) + 20 * random.nextDouble(),
                            40 + 10 * random.nextDouble()
                        }
                        : new double[] {
                            1000 + 60 * random.nextDouble(), 5000 + 110 * i + 40 * random.nextDouble(), 40 + 5 * i
                        };
            }
            if (loop) {
                places[legs] = places[0];
            }
            for (int i = 0; i < legs; i++) {
                stand(i);
            }
            if (figure == Figure.LINK) {
                stand(legs);
            }
        }

        String name(int station) {
            boolean back = station == legs && places[legs] == places[0];
            return station == 0 || back ? "A" : station == legs ? "E" : "T" + station;
        }

        private double[] place(String name) {
            return switch (name) {
                case "K" -> new double[] {1700, 4800, 60};
                case "M" -> new double[] {400, 7000, 55};
                default ->
                    places[
                            IntStream.rangeClosed(0, legs)
                                    .filter(i -> name(i).equals(name))
                                    .findFirst()
                                    .orElseThrow()];
            };
        }

        private void stand(int station) {
            double circle = 2 * Math.PI * random.nextDouble();
            List<String> readings = new ArrayList<>();
            String zero = station == 0 ? "K" : station == legs ? "M" : name(station - 1);
            sight(readings, station, zero, "backsight", circle);
            if (station == legs) {
                sight(readings, station, name(legs - 1), "check", circle);
            } else {
                sight(readings, station, name(station + 1), station == legs - 1 ? "check" : "foresight", circle);
            }
            if (station == 0 && figure == Figure.LOOP) {
                sight(readings, station, name(legs - 1), "foresight", circle);
            }
            setups.add(
                    "{\"name\": \"S%d\", \"station\": \"%s\", \"method\": \"occupied\", \"instrument\": \"I\", \"instrumentHeight\": {\"value\": 1.55}, \"orientation\": {\"sights\": [\"%s\"]}, \"readings\": [%s]}"
                            .formatted(setups.size() + 1, name(station), zero, String.join(",", readings)));
        }

        private void sight(List<String> readings, int from, String target, String role, double turn) {
            double[] to = place(target);
            double north = to[0] - places[from][0];
            double east = to[1] - places[from][1];
            double up = to[2] - places[from][2];
            double circle = Math.atan2(east, north) - turn + 6 * SecondOpinion.SECOND * random.nextGaussian();
            double zenith = Math.atan2(Math.hypot(north, east), up) + 6 * SecondOpinion.SECOND * random.nextGaussian();
            double slope = Math.hypot(Math.hypot(north, east), up) + 0.005 * random.nextGaussian();
            for (boolean left : new boolean[] {true, false}) {
                readings.add(String.format(
                        Locale.ROOT,
                        "{\"target\": \"%s\", \"role\": \"%s\", \"set\": 1, \"face\": \"%s\", \"circle\": \"%s\", \"zenith\": \"%s\", \"slope\": %.4f, \"reflector\": \"R\", \"targetHeight\": {\"value\": 1.5}}",
                        target,
                        role,
                        left ? "left" : "right",
                        SecondOpinion.written(circle + (left ? 0 : Math.PI)),
                        SecondOpinion.written(left ? zenith : 2 * Math.PI - zenith),
                        slope));
            }
        }

        List<String> route() {
            return IntStream.rangeClosed(0, legs).mapToObj(this::name).toList();
        }

        String job(String rule) {
            StringBuilder marks = new StringBuilder();
            for (String known : List.of("A", "E", "K", "M")) {
                if (known.equals("E") && !route().contains("E")) {
                    continue;
                }
                double[] at = place(known);
                marks.append(String.format(
                        Locale.ROOT,
                        "{\"name\": \"%s\", \"kind\": \"control\", \"northing\": %.4f, \"easting\": %.4f, \"elevation\": %.4f},",
                        known,
                        at[0],
                        at[1],
                        at[2]));
            }
            for (int i = 1; i < legs; i++) {
                marks.append("{\"name\": \"T%d\", \"kind\": \"new\"}%s".formatted(i, i == legs - 1 ? "" : ","));
            }
            return """
                    {"format": "mark-turn-job", "version": 1, "name": "figure", "units": {"length": "m", "angle": "dms"},
                     "instruments": [{"name": "I", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2}],
                     "reflectors": [{"name": "R"}], "marks": [%s], "setups": [%s],
                     "traverses": [{"name": "F", "route": [%s], "method": "%s"}]}""".formatted(
                    marks,
                    String.join(",", setups),
                    String.join(",", route().stream().map(s -> "\"" + s + "\"").toList()),
                    rule);
        }
    }

    /** The hand computation. */
    private static final class ByHand {
        private final SecondOpinion opinion;
        private final List<String> route;
        final double[] azimuth;
        final double[] length;
        final double[] rise;
        Double angular;
        int angles;
        double north;
        double east;
        double up;

        ByHand(SecondOpinion opinion, Turned turned) {
            this.opinion = opinion;
            this.route = turned.route();
            int legs = turned.legs;
            azimuth = new double[legs];
            length = new double[legs];
            rise = new double[legs];
            for (int i = 0; i < legs; i++) {
                SecondOpinion.Ray there = ray(i + 1, route.get(i + 1));
                SecondOpinion.Ray back = i + 1 < legs || turned.figure == Figure.LINK
                        ? ray(i + 2, route.get(i))
                        : turned.figure == Figure.LOOP ? ray(1, route.get(i)) : null;
                length[i] = back == null ? there.horizontal : (there.horizontal + back.horizontal) / 2;
                rise[i] = back == null ? there.rise : (there.rise - back.rise) / 2;
                azimuth[i] = i == 0
                        ? opinion.setups.get("S1").orientation + there.direction
                        : azimuth[i - 1] + Math.PI + there.direction - ray(i + 1, route.get(i - 1)).direction;
            }
            double carried = azimuth[legs - 1] + Math.PI;
            if (turned.figure == Figure.LOOP) {
                close(carried, 1, legs);
            } else if (turned.figure == Figure.LINK) {
                close(carried, legs + 1, legs + 1);
            }
            SecondOpinion.Place start = opinion.places.get(route.get(0));
            SecondOpinion.Place end = opinion.places.get(route.get(legs));
            north = start.north() - end.north();
            east = start.east() - end.east();
            up = start.up() - end.up();
            for (int i = 0; i < legs; i++) {
                north += length[i] * Math.cos(azimuth[i]);
                east += length[i] * Math.sin(azimuth[i]);
                up += rise[i];
            }
        }

        private void close(double carried, int setup, int count) {
            double known =
                    opinion.setups.get("S" + setup).orientation + ray(setup, route.get(route.size() - 2)).direction;
            angles = count;
            angular = Math.IEEEremainder(carried - known, 2 * Math.PI);
            for (int i = 0; i < azimuth.length; i++) {
                azimuth[i] -= angular * (i + 1) / count;
            }
        }

        private SecondOpinion.Ray ray(int setup, String target) {
            return opinion.setups.get("S" + setup).rays.stream()
                    .filter(r -> r.fix.target().equals(target))
                    .findFirst()
                    .orElseThrow();
        }

        /** Where station i comes to lie: the misclosure spread by what each leg counts. */
        double[] station(int station, boolean transit) {
            SecondOpinion.Place start = opinion.places.get(route.get(0));
            double[] at = {start.north(), start.east(), start.up()};
            double[] all = new double[3];
            double[] done = new double[3];
            for (int i = 0; i < length.length; i++) {
                double latitude = length[i] * Math.cos(azimuth[i]);
                double departure = length[i] * Math.sin(azimuth[i]);
                double[] counts = {
                    transit ? Math.abs(latitude) : length[i], transit ? Math.abs(departure) : length[i], length[i]
                };
                for (int k = 0; k < 3; k++) {
                    all[k] += counts[k];
                    done[k] += i < station ? counts[k] : 0;
                }
                if (i < station) {
                    at[0] += latitude;
                    at[1] += departure;
                    at[2] += rise[i];
                }
            }
            double[] misclosure = {north, east, up};
            for (int k = 0; k < 3; k++) {
                at[k] -= misclosure[k] * done[k] / all[k];
            }
            return at;
        }
    }

    @ParameterizedTest
    @EnumSource(Figure.class)
    void figuresAreCarriedBalancedAndSpreadAsByHand(Figure figure) throws FaultyFile {
        for (long seed = 0; seed < 60; seed++) {
            boolean transit = seed % 2 == 1;
            Turned turned = new Turned(figure, seed);
            String file = turned.job(transit ? "transit" : "compass");
            JsonNode traverse = JSON.readTree(
                            ResultFile.write(Survey.compute(JobFile.read(file.getBytes(StandardCharsets.UTF_8)))))
                    .get("traverses")
                    .get(0);
            ByHand hand = new ByHand(new SecondOpinion(JSON.readTree(file)), turned);
            String what = figure + " " + seed;
            if (hand.angular == null) {
                assertThat(traverse.get("angularMisclosure").isNull()).as(what).isTrue();
                assertThat(traverse.get("angularLimit").isNull()).as(what).isTrue();
            } else {
                near(traverse, "angularMisclosure", hand.angular / SecondOpinion.SECOND, 1e-4, what);
                near(traverse, "angularLimit", CLASS_ANGLE * Math.sqrt(hand.angles), 1e-6, what);
            }
            double total = IntStream.range(0, turned.legs)
                    .mapToDouble(i -> hand.length[i])
                    .sum();
            double gap = Math.hypot(hand.north, hand.east);
            near(traverse, "northingMisclosure", hand.north, 1e-7, what);
            near(traverse, "eastingMisclosure", hand.east, 1e-7, what);
            near(traverse, "elevationMisclosure", hand.up, 1e-7, what);
            near(traverse, "linearMisclosure", gap, 1e-7, what);
            near(traverse, "length", total, 1e-7, what);
            assertThat(traverse.get("ratio").doubleValue() / (total / gap))
                    .as(what)
                    .isCloseTo(1, within(1e-4));
            for (int i = 0; i < turned.legs; i++) {
                JsonNode leg = traverse.get("legs").get(i);
                near(leg, "horizontal", hand.length[i], 1e-8, what + " leg " + i);
                double off = SecondOpinion.angle(leg.get("azimuth").asString()) - hand.azimuth[i];
                assertThat(Math.IEEEremainder(off, 2 * Math.PI)).as(what).isCloseTo(0, within(1e-9));
            }
            assertThat(traverse.get("stations")).hasSize(turned.legs + 1);
            for (int i = 0; i <= turned.legs; i++) {
                double[] at = hand.station(i, transit);
                JsonNode station = traverse.get("stations").get(i);
                near(station, "northing", at[0], 1e-6, what + " station " + i);
                near(station, "easting", at[1], 1e-6, what + " station " + i);
                near(station, "elevation", at[2], 1e-6, what + " station " + i);
            }
        }
    }

    private static void near(JsonNode in, String key, double value, double tolerance, String what) {
        assertThat(in.get(key).doubleValue()).as(what + " " + key).isCloseTo(value, within(tolerance));
    }
}
