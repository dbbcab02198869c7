package markturn.survey.job;

import java.util.Optional;

/**
 * The unit lengths are written in. The two feet differ by 2 ppm. Sources: international foot, 0.3048 m exactly (1959 agreement); US survey
 * foot, 1200/3937 m (Mendenhall Order 1893).
 */
public enum LengthUnit {
    METRE("m", 1, "m"),
    FOOT("ft", 0.3048, "ft"),
    US_SURVEY_FOOT("us-ft", 1200.0 / 3937.0, "ft US");

    private final String key;
    private final double metres;
    private final String sign;

    LengthUnit(String key, double metres, String sign) {
        this.key = key;
        this.metres = metres;
        this.sign = sign;
    }

    /** The word for this unit in files. */
    public String key() {
        return key;
    }

    /** The name of the unit, with its length where two share a name. */
    public String words() {
        return switch (this) {
            case METRE -> "metres";
            case FOOT -> "international feet (0.3048 m)";
            case US_SURVEY_FOOT -> "US survey feet (1200/3937 m)";
        };
    }

    /** What stands behind a number on screen. */
    public String sign() {
        return sign;
    }

    /** One of this unit, in metres. */
    public double metres() {
        return metres;
    }

    /** How far apart a length comes to lie where one of the two feet is taken for the other, metres. */
    public static double feetApart(double metres) {
        return Math.abs(metres) * (US_SURVEY_FOOT.metres / FOOT.metres - 1);
    }

    /** The unit of that key; empty where there is none. */
    public static Optional<LengthUnit> of(String key) {
        for (LengthUnit unit : values()) {
            if (unit.key.equals(key)) {
                return Optional.of(unit);
            }
        }
        return Optional.empty();
    }
}
