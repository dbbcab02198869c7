package markturn.survey.epoch;

/**
 * What one mark did between two epochs, in plan or in elevation.
 *
 * @param mark its true name
 * @param part what it was in the comparison
 * @param shift metres, later less earlier: north and east in plan, up in elevation
 * @param covariance of the shift, square metres
 * @param statistic {@code dᵀ Q⁻¹ d}
 * @param limit what chance exceeds as seldom as was asked for
 * @param detectable the shift that would have shown four times in five, in its worst direction, metres
 */
public record Movement(
        String mark,
        Part part,
        double[] shift,
        double[][] covariance,
        double statistic,
        double limit,
        double detectable) {
    /** What a mark is in a comparison. */
    public enum Part {
        /** It holds the datum, and is not judged. */
        REFERENCE("reference"),
        /** It was meant to hold the datum, and did not hold. */
        LEFT_REFERENCE("left the reference"),
        COMPARED("compared");

        private final String words;

        Part(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Whether it moved: beyond what chance explains. */
    public boolean moved() {
        return part != Part.REFERENCE && statistic > limit;
    }

    /** How far, metres. */
    public double length() {
        return shift.length == 1 ? Math.abs(shift[0]) : Math.hypot(shift[0], shift[1]);
    }

    /** In which direction in plan, radians from north. */
    public double azimuth() {
        return Math.atan2(shift[1], shift[0]);
    }

    /** One sigma of the length, metres: along the shift itself. */
    public double lengthStdDev() {
        if (shift.length == 1) {
            return Math.sqrt(covariance[0][0]);
        }
        double cos = Math.cos(azimuth());
        double sin = Math.sin(azimuth());
        return Math.sqrt(Math.max(
                0, covariance[0][0] * cos * cos + covariance[1][1] * sin * sin + 2 * covariance[0][1] * cos * sin));
    }
}
