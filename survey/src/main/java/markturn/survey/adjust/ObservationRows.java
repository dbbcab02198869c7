package markturn.survey.adjust;

import java.util.Arrays;

/** The rows of the observations, as they came, in a list for each part: that of the unknown which is eliminated first. */
final class ObservationRows {
    private static final int ROOM = 1024;
    final int[] last;
    int[] before = new int[ROOM];
    int[] begin = new int[ROOM + 1];
    int[] unknowns = new int[4 * ROOM];
    double[] values = new double[4 * ROOM];
    int count;

    ObservationRows(int parts) {
        last = new int[parts];
        Arrays.fill(last, -1);
    }

    void add(int part, int[] positions, double[] partials, int many, double root) {
        if (count + 1 == before.length) {
            before = Arrays.copyOf(before, 2 * before.length);
            begin = Arrays.copyOf(begin, before.length + 1);
        }
        int at = begin[count];
        if (at + many > unknowns.length) {
            unknowns = Arrays.copyOf(unknowns, 2 * unknowns.length);
            values = Arrays.copyOf(values, unknowns.length);
        }
        for (int i = 0; i < many; i++) {
            unknowns[at + i] = positions[i];
            values[at + i] = root * partials[i];
        }
        begin[count + 1] = at + many;
        before[count] = last[part];
        last[part] = count++;
    }
}
