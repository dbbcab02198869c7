package markturn.survey.show;

import markturn.survey.job.Code;

/** The signs of codes as SVG paths, some 10 units wide; told apart by shape alone. */
public final class Signs {
    private Signs() {}

    /** The path of a sign around 0, 0; behind a step to another place ({@code M12 34}) around that. */
    public static String path(Code.Sign sign) {
        return switch (sign) {
            case DOT -> "m-2.5 0a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0 -5 0m1.5 0a1 1 0 1 0 2 0a1 1 0 1 0 -2 0";
            case CROSS -> "m-5 -5l10 10m-10 0l10 -10";
            case PLUS -> "m-6 0h12m-6 -6v12";
            case SQUARE -> "m-5 -5h10v10h-10z";
            case DIAMOND -> "m0 -6l6 6l-6 6l-6 -6z";
            case STAR -> "m0 -6v12m-5 -9l10 6m-10 0l10 -6";
            case BAR -> "m-6 -2.5h12m-12 5h12";
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
