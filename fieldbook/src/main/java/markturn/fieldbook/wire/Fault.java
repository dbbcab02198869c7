package markturn.fieldbook.wire;

/**
 * One thing wrong with a file.
 *
 * @param path JSON path, such as {@code $.setups[0].readings[3].circle}
 * @param value what stands there, shortened; empty where something is missing
 * @param expected what should stand there, in words
 */
public record Fault(String path, String value, String expected) {
    private static final int LONGEST_VALUE = 60;

    /** The fault in one line. */
    public String line() {
        String shown = value.length() > LONGEST_VALUE ? value.substring(0, LONGEST_VALUE) + "..." : value;
        String printable = shown.replaceAll("\\p{Cntrl}", "?");
        return printable.isEmpty() ? path + ": " + expected : path + ": " + printable + ": " + expected;
    }
}
