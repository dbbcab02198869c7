package markturn.survey.result;

import java.util.List;

/**
 * Points joined by their code.
 *
 * @param code name of the code
 * @param number of the line within its code, from 1; a line begun again under its number is another with the same
 * @param points in the order they were located, all with a position; at least one
 * @param closed whether the last is joined to the first
 */
public record CodeLine(String code, int number, List<MeasuredMark> points, boolean closed) {
    public CodeLine {
        points = List.copyOf(points);
    }

    /** Horizontal length with the closing side, metres. */
    public double length() {
        double sum = 0;
        for (int i = closed ? 0 : 1; i < points.size(); i++) {
            sum += at(i == 0 ? points.size() - 1 : i - 1).distanceTo(at(i));
        }
        return sum;
    }

    /** The place of a point by its number in the line, from 0. */
    public Position at(int i) {
        return points.get(i).position().orElseThrow();
    }
}
