package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;

/**
 * An order of elimination for unknowns that lie in the plane: nested dissection (A. George, 1973), here by the coordinates alone. The
 * nodes are halved across their longer side; those of one half that meet the other separate the halves and are eliminated after both.
 * What comes out is a tree of parts: a part's unknowns meet only each other, unknowns of the parts under it, and its boundary, which is
 * eliminated later.
 */
public final class Dissection {
    /** So few nodes are eliminated together: halving them further saves nothing. */
    private static final int SMALL = 10;

    /** So many unknowns under a part are worth another processor. */
    private static final int LARGE = 200;

    private static final int NONE = 0;
    private static final int FIRST = 1;
    private static final int SECOND = 2;
    private static final int SEPARATOR = 3;

    private final double[][] places;
    private final int[][] neighbours;
    private final int[] side;
    private final List<Piece> pieces = new ArrayList<>();
    private final int[] position;
    private final List<Part> parts = new ArrayList<>();
    private final int[] partAt;

    /** Nodes that are eliminated together, and the numbers of the pieces under them. */
    private record Piece(List<Integer> nodes, List<Integer> under) {}

    /**
     * Unknowns that are eliminated together.
     *
     * @param number in the order of elimination: those under a part come before it
     * @param first position of its first unknown; the others follow
     * @param pivots how many unknowns
     * @param boundary positions of the unknowns eliminated later that these meet, ascending
     * @param under the parts whose boundaries lie in this one
     * @param unknownsUnder how many unknowns the parts under it have, and those under them
     */
    record Part(int number, int first, int pivots, int[] boundary, List<Part> under, int unknownsUnder) {
        int size() {
            return pivots + boundary.length;
        }

        /** Where an unknown stands among those of the part and its boundary; negative where it is not among them. */
        int indexOf(int position) {
            if (position < first) {
                return -1;
            }
            int index = position - first;
            return index < pivots ? index : plus(Arrays.binarySearch(boundary, position));
        }

        /** Where each of some unknowns stands among them; all of them must. */
        int[] indicesOf(int[] positions) {
            int[] indices = new int[positions.length];
            for (int i = 0; i < positions.length; i++) {
                indices[i] = indexOf(positions[i]);
            }
            return indices;
        }

        /** The position of an unknown of the part or its boundary. */
        int positionOf(int index) {
            return index < pivots ? first + index : boundary[index - pivots];
        }

        /** Whether what lies under it is worth another processor. */
        boolean isLarge() {
            return unknownsUnder > LARGE;
        }

        private int plus(int found) {
            return found < 0 ? -1 : pivots + found;
        }
    }

    private Dissection(double[][] places, int[] nodeOf, int[][] neighbours) {
        this.places = places;
        this.neighbours = neighbours;
        this.side = new int[places.length];
        List<Integer> all = new ArrayList<>();
        for (int node = 0; node < places.length; node++) {
            all.add(node);
        }
        dissect(all);
        int[] unknownsOf = new int[places.length];
        for (int node : nodeOf) {
            unknownsOf[node]++;
        }
        int[] firstOf = new int[places.length];
        int eliminated = 0;
        for (Piece piece : pieces) {
            for (int node : piece.nodes()) {
                firstOf[node] = eliminated;
                eliminated += unknownsOf[node];
            }
        }
        this.position = new int[nodeOf.length];
        int[] next = firstOf.clone();
        for (int unknown = 0; unknown < nodeOf.length; unknown++) {
            position[unknown] = next[nodeOf[unknown]]++;
        }
        this.partAt = new int[nodeOf.length];
        for (Piece piece : pieces) {
            parts.add(part(piece, unknownsOf, firstOf));
        }
    }

    private Part part(Piece piece, int[] unknownsOf, int[] firstOf) {
        int first = firstOf[piece.nodes().get(0)];
        int pivots = piece.nodes().stream().mapToInt(n -> unknownsOf[n]).sum();
        List<Part> under = piece.under().stream().map(parts::get).toList();
        BitSet boundary = new BitSet();
        for (int node : piece.nodes()) {
            for (int neighbour : neighbours[node]) {
                boundary.set(firstOf[neighbour], firstOf[neighbour] + unknownsOf[neighbour]);
            }
        }
        under.forEach(part -> Arrays.stream(part.boundary()).forEach(boundary::set));
        boundary.clear(0, first + pivots);
        Arrays.fill(partAt, first, first + pivots, parts.size());
        int unknownsUnder =
                under.stream().mapToInt(p -> p.pivots() + p.unknownsUnder()).sum();
        return new Part(parts.size(), first, pivots, boundary.stream().toArray(), under, unknownsUnder);
    }

    /**
     * Dissects.
     *
     * @param places northing and easting of each node, metres
     * @param nodeOf the node at which each unknown lies: a mark's coordinates, the orientation of a setup on it
     * @param observations say which unknowns meet
     * @param near a value for each unknown, as for the adjustment
     */
    public static Dissection of(double[][] places, int[] nodeOf, List<? extends Observed> observations, double[] near) {
        List<TreeSet<Integer>> meets = new ArrayList<>();
        for (int node = 0; node < places.length; node++) {
            meets.add(new TreeSet<>());
        }
        RowOfPartials row = new RowOfPartials();
        for (Observed observed : observations) {
            row.of(observed, near);
            for (int i = 0; i < row.count(); i++) {
                for (int j = 0; j < i; j++) {
                    int one = nodeOf[row.unknowns()[i]];
                    int other = nodeOf[row.unknowns()[j]];
                    if (one != other) {
                        meets.get(one).add(other);
                        meets.get(other).add(one);
                    }
                }
            }
        }
        int[][] neighbours = new int[places.length][];
        for (int node = 0; node < places.length; node++) {
            neighbours[node] =
                    meets.get(node).stream().mapToInt(Integer::intValue).toArray();
        }
        return new Dissection(places, nodeOf, neighbours);
    }

    /** How many unknowns. */
    public int size() {
        return position.length;
    }

    /** How many multiplications and additions one factor in this order takes. */
    public double operationsOfFactor() {
        double sum = 0;
        for (Part part : parts) {
            for (int i = 0; i < part.pivots(); i++) {
                double behind = part.size() - i;
                sum += behind * behind;
            }
        }
        return sum;
    }

    /** How many multiplications and additions the part of the inverse takes that lies in the fronts. */
    public double operationsOfInverse() {
        double sum = 0;
        for (Part part : parts) {
            double pivots = part.pivots();
            double outside = part.boundary().length;
            sum += pivots * pivots * (pivots / 3 + outside)
                    + 2 * pivots * outside * outside
                    + 2 * pivots * pivots * outside;
        }
        return sum;
    }

    /** Where each unknown stands in the order of elimination. */
    public int[] positions() {
        return position.clone();
    }

    int position(int unknown) {
        return position[unknown];
    }

    /** The parts, each after those under it. */
    List<Part> parts() {
        return parts;
    }

    /** Those with nothing above them. */
    List<Part> tops() {
        return parts.stream().filter(part -> part.boundary().length == 0).toList();
    }

    Part partAt(int at) {
        return parts.get(partAt[at]);
    }

    /** The numbers of the pieces on top of those nodes: one, or what stands side by side where they do not hang together. */
    private List<Integer> dissect(List<Integer> nodes) {
        if (nodes.size() <= SMALL) {
            return piece(nodes, List.of());
        }
        int axis = extent(nodes, 0) >= extent(nodes, 1) ? 0 : 1;
        nodes.sort(Comparator.comparingDouble(node -> places[node][axis]));
        int half = nodes.size() / 2;
        for (int i = 0; i < nodes.size(); i++) {
            side[nodes.get(i)] = i < half ? FIRST : SECOND;
        }
        List<Integer> fromFirst = meeting(nodes, FIRST, SECOND);
        List<Integer> fromSecond = meeting(nodes, SECOND, FIRST);
        List<Integer> separator = fromFirst.size() <= fromSecond.size() ? fromFirst : fromSecond;
        separator.forEach(node -> side[node] = SEPARATOR);
        List<Integer> first = on(nodes, FIRST);
        List<Integer> second = on(nodes, SECOND);
        nodes.forEach(node -> side[node] = NONE);
        if (first.isEmpty() || second.isEmpty()) {
            return piece(nodes, List.of());
        }
        List<Integer> under = new ArrayList<>(dissect(first));
        under.addAll(dissect(second));
        return separator.isEmpty() ? under : piece(separator, under);
    }

    private List<Integer> piece(List<Integer> nodes, List<Integer> under) {
        if (nodes.isEmpty()) {
            return List.of();
        }
        pieces.add(new Piece(nodes, under));
        return List.of(pieces.size() - 1);
    }

    private List<Integer> on(List<Integer> nodes, int which) {
        return new ArrayList<>(nodes.stream().filter(n -> side[n] == which).toList());
    }

    private List<Integer> meeting(List<Integer> nodes, int from, int to) {
        return nodes.stream()
                .filter(node ->
                        side[node] == from && Arrays.stream(neighbours[node]).anyMatch(n -> side[n] == to))
                .toList();
    }

    private double extent(List<Integer> nodes, int axis) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (int node : nodes) {
            least = Math.min(least, places[node][axis]);
            most = Math.max(most, places[node][axis]);
        }
        return most - least;
    }
}
