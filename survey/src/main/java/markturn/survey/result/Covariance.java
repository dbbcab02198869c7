package markturn.survey.result;

/**
 * Covariance of northing and easting, square metres.
 *
 * @param nn variance of northing
 * @param ee variance of easting
 * @param ne covariance
 */
public record Covariance(double nn, double ee, double ne) {
    public static final Covariance NONE = new Covariance(0, 0, 0);

    /** From a matrix, row by row; nothing from an empty one. */
    public static Covariance of(double[] matrix) {
        return matrix.length == 0 ? NONE : new Covariance(matrix[0], matrix[3], (matrix[1] + matrix[2]) / 2);
    }

    /** The sum of two independent ones. */
    public Covariance plus(Covariance other) {
        return new Covariance(nn + other.nn, ee + other.ee, ne + other.ne);
    }

    /** That of a difference: this is the sum of both, less what they share, each with the other. */
    public Covariance lessBoth(double[] shared) {
        return shared.length == 0
                ? this
                : new Covariance(nn - 2 * shared[0], ee - 2 * shared[3], ne - shared[1] - shared[2]);
    }

    /** Variance along an azimuth (radians). */
    public double along(double azimuth) {
        double cos = Math.cos(azimuth);
        double sin = Math.sin(azimuth);
        return nn * cos * cos + ee * sin * sin + 2 * ne * cos * sin;
    }

    /** The one-sigma error ellipse. Textbook eigenvalues of a symmetric 2 by 2 matrix. */
    public Ellipse ellipse() {
        double mean = (nn + ee) / 2;
        double half = Math.hypot((nn - ee) / 2, ne);
        double azimuth = half == 0 ? 0 : 0.5 * Math.atan2(2 * ne, nn - ee);
        return new Ellipse(
                Math.sqrt(mean + half), Math.sqrt(Math.max(0, mean - half)), azimuth < 0 ? azimuth + Math.PI : azimuth);
    }

    /** Semi-axes in metres and the azimuth of the larger, radians in [0, pi). */
    public record Ellipse(double semiMajor, double semiMinor, double azimuth) {
        /** √χ² of two degrees of freedom at 95 %: √5.991. */
        private static final double PLANE_95 = Math.sqrt(5.991);

        /** The one within which 95 % lie, made from the one-sigma ellipse. */
        public Ellipse of95() {
            return new Ellipse(PLANE_95 * semiMajor, PLANE_95 * semiMinor, azimuth);
        }
    }
}
