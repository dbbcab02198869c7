package markturn.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Dissection;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;

/**
 * A made-up network: stations near the corners of a square mesh of 100 m, each sighting its six nearest and measuring to its three
 * nearest. The stations at the mesh's corners are held. Every station has two coordinates and an orientation to be found.
 */
final class StrewnNetwork {
    private static final double MESH = 100;
    private static final int SIGHTS = 6;
    private static final int LENGTHS = 3;
    private static final double DIRECTION = 5e-6;
    private static final double DISTANCE = 0.002;
    /** How far off the start is, metres: as coordinates carried along a traverse are. */
    private static final double OFF = 0.003;

    private final int stations;
    private final NumberedPlace[] places;
    private final double[][] where;
    private final List<Observed> observations = new ArrayList<>();
    private final double[] start;
    private final int[] nodeOf;

    /**
     * @param side stations along one side of the mesh
     */
    StrewnNetwork(int side, long seed) {
        Random random = new Random(seed);
        stations = side * side;
        where = new double[stations][];
        places = new NumberedPlace[stations];
        List<Double> values = new ArrayList<>();
        List<Integer> nodes = new ArrayList<>();
        for (int i = 0; i < stations; i++) {
            where[i] = new double[] {
                MESH * (i / side + 0.6 * (random.nextDouble() - 0.5)),
                MESH * (i % side + 0.6 * (random.nextDouble() - 0.5))
            };
            boolean corner = (i / side == 0 || i / side == side - 1) && (i % side == 0 || i % side == side - 1);
            if (corner) {
                places[i] = NumberedPlace.held(where[i][0], where[i][1]);
            } else {
                places[i] = NumberedPlace.unknown(values.size(), values.size() + 1);
                for (int axis = 0; axis < 2; axis++) {
                    values.add(where[i][axis]);
                    nodes.add(i);
                }
            }
        }
        int[] orientation = new int[stations];
        for (int i = 0; i < stations; i++) {
            orientation[i] = values.size();
            values.add(0.0);
            nodes.add(i);
        }
        double[] truth = values.stream().mapToDouble(Double::doubleValue).toArray();
        nodeOf = nodes.stream().mapToInt(Integer::intValue).toArray();
        for (int from = 0; from < stations; from++) {
            List<Integer> nearest = nearest(from, side);
            for (int k = 0; k < SIGHTS; k++) {
                NumberedPlace to = places[nearest.get(k)];
                Direction sight = new Direction(places[from], to, orientation[from], 0, DIRECTION);
                double seen = sight.theoretical(truth) + DIRECTION * random.nextGaussian();
                observations.add(new Direction(places[from], to, orientation[from], seen, DIRECTION));
                if (k < LENGTHS) {
                    Distance length =
                            new Distance(places[from], to, NumberedPlace.HELD, NumberedPlace.HELD, 0, DISTANCE);
                    double measured = length.theoretical(truth) + DISTANCE * random.nextGaussian();
                    observations.add(
                            new Distance(places[from], to, NumberedPlace.HELD, NumberedPlace.HELD, measured, DISTANCE));
                }
            }
        }
        start = truth.clone();
        for (int i = 0; i < stations; i++) {
            if (places[i].north() != NumberedPlace.HELD) {
                start[places[i].north()] += OFF * random.nextGaussian();
                start[places[i].east()] += OFF * random.nextGaussian();
            }
        }
    }

    private List<Integer> nearest(int from, int side) {
        List<Integer> near = new ArrayList<>();
        for (int row = Math.max(0, from / side - 3); row <= Math.min(side - 1, from / side + 3); row++) {
            for (int column = Math.max(0, from % side - 3); column <= Math.min(side - 1, from % side + 3); column++) {
                if (row * side + column != from) {
                    near.add(row * side + column);
                }
            }
        }
        near.sort((a, b) -> Double.compare(distance(from, a), distance(from, b)));
        return near;
    }

    private double distance(int one, int other) {
        return Math.hypot(where[one][0] - where[other][0], where[one][1] - where[other][1]);
    }

    int stations() {
        return stations;
    }

    NumberedPlace place(int station) {
        return places[station];
    }

    List<Observed> observations() {
        return observations;
    }

    double[] start() {
        return start;
    }

    Dissection dissection() {
        return Dissection.of(where, nodeOf, observations, start);
    }
}
