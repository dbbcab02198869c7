package markturn.survey.show;

import markturn.survey.job.Code;

/** The signs of codes as SVG paths around 0, 0, some 10 units wide; told apart by shape alone. */
public final class Signs {
    private Signs() {}

    /** The path of a sign. */
    public static String path(Code.Sign sign) {
        return switch (sign) {
            case DOT -> "M-2.5 0a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0 -5 0M-1 0a1 1 0 1 0 2 0a1 1 0 1 0 -2 0";
            case CROSS -> "M-5 -5L5 5M-5 5L5 -5";
            case PLUS -> "M-6 0H6M0 -6V6";
            case SQUARE -> "M-5 -5H5V5H-5Z";
            case DIAMOND -> "M0 -6L6 0L0 6L-6 0Z";
            case STAR -> "M0 -6V6M-5 -3L5 3M-5 3L5 -3";
            case BAR -> "M-6 -2.5H6M-6 2.5H6";
        };
    }

    /** The dashes of a stroke, as SVG writes them; {@code none} where it has no breaks. */
    public static String dashes(Code.Stroke stroke) {
        return switch (stroke) {
            case SOLID -> "none";
            case DASHED -> "10 6";
            case DOTTED -> "2 5";
        };
    }
}
