package markturn.formats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Fault;
import markturn.survey.job.Mark;
import markturn.survey.job.PlainText;

/**
 * The points of a file, and what is wrong with the rest of it.
 *
 * @param points each name once
 * @param faults what was passed over, and why; at most {@link #MOST_FAULTS}, then one that says so
 * @param remarks what the reader should know, in words
 */
public record ImportedPoints(List<ImportedPoint> points, List<Fault> faults, List<String> remarks) {
    static final int MOST_FAULTS = 50;
    private static final int LONGEST_NAME = 60;

    public ImportedPoints {
        points = List.copyOf(points);
        faults = List.copyOf(faults);
        remarks = List.copyOf(remarks);
    }

    /** Points while a file is being read. */
    static final class Growing {
        private final List<ImportedPoint> points = new ArrayList<>();
        private final Map<String, String> places = new HashMap<>();
        private final List<Fault> faults = new ArrayList<>();
        private final List<String> remarks = new ArrayList<>();

        void remark(String sentence) {
            remarks.add(sentence);
        }

        void fault(String place, String value, String expected) {
            if (faults.size() < MOST_FAULTS) {
                faults.add(new Fault(place, value, expected));
            } else if (faults.size() == MOST_FAULTS) {
                faults.add(new Fault("and more", "", "only the first %d faults are listed".formatted(MOST_FAULTS)));
            }
        }

        /** Takes a point in, or says what is wrong with it. */
        void add(ImportedPoint point) {
            String name = point.name();
            if (name.isEmpty()
                    || name.length() > LONGEST_NAME
                    || PlainText.fault(name).isPresent()
                    || !name.equals(name.strip())
                    || name.chars().anyMatch(Character::isISOControl)) {
                fault(point.place(), name, "expected a name of 1 to 60 characters of plain text");
            } else if (!isPlace(point.northing())
                    || !isPlace(point.easting())
                    || point.elevation().isPresent()
                            && !isPlace(point.elevation().getAsDouble())) {
                fault(point.place(), name, "expected coordinates within 100 000 km");
            } else if (places.putIfAbsent(name, point.place()) != null) {
                fault(point.place(), name, "is used twice: it stands at " + places.get(name) + " already");
            } else {
                points.add(point);
            }
        }

        private static boolean isPlace(double metres) {
            return Double.isFinite(metres) && Math.abs(metres) <= Mark.Coordinates.FARTHEST;
        }

        ImportedPoints done() {
            return new ImportedPoints(points, faults, remarks);
        }
    }

    /** The elevation, or none where it is not a number. */
    static OptionalDouble elevation(double metres) {
        return Double.isFinite(metres) ? OptionalDouble.of(metres) : OptionalDouble.empty();
    }
}
