package markturn.survey.show;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.angle.QuadrantBearing;
import markturn.survey.finding.words.Words;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Units;

/** Numbers as a page shows them, in the units of the job. What does not exist is a dash. */
public record Display(Units units) {
    private static final String NONE = "–";
    /** Asked for with every time that is shown; the language copies all six hundred names each time. */
    private static final Set<String> ZONES = Set.copyOf(ZoneId.getAvailableZoneIds());

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);
    private static final DateTimeFormatter DAY_AND_TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm z", Locale.ENGLISH);

    /** A coordinate, elevation, height or distance (metres), to the millimetre or the thousandth of a foot. */
    public String length(OptionalDouble metres) {
        return metres.isPresent() ? length(metres.getAsDouble()) : NONE;
    }

    public String length(double metres) {
        return number(metres / units.length().metres(), 3);
    }

    /** A signed difference (metres): millimetres, or thousandths of a foot. */
    public String difference(OptionalDouble metres) {
        return metres.isPresent() ? signed(metres.getAsDouble() / differenceUnit(), 1) : NONE;
    }

    /** A standard deviation or limit (metres), unsigned, in the unit of differences. */
    public String deviation(OptionalDouble metres) {
        return metres.isPresent() ? number(metres.getAsDouble() / differenceUnit(), 1) : NONE;
    }

    /** The standard deviation of a variance. */
    public String rootDeviation(OptionalDouble variance) {
        return variance.isPresent() ? number(Math.sqrt(variance.getAsDouble()) / differenceUnit(), 1) : NONE;
    }

    public String rootDeviation(double variance) {
        return rootDeviation(OptionalDouble.of(variance));
    }

    /** The unit of differences: {@code mm} or thousandths of a foot. */
    public String differenceSign() {
        return units.length() == LengthUnit.METRE
                ? "mm"
                : "0.001 " + units.length().sign();
    }

    private double differenceUnit() {
        return 0.001 * units.length().metres();
    }

    /** The unit of lengths. */
    public String lengthSign() {
        return units.length().sign();
    }

    /** A direction (radians) with its signs: {@code 123°04'05.6"}. */
    public String angle(OptionalDouble radians) {
        return radians.isPresent() ? angle(radians.getAsDouble()) : NONE;
    }

    public String angle(double radians) {
        return decorated(units.angle().write(radians, units.angle() == AngleUnit.DMS ? 1 : 5));
    }

    /** An azimuth (radians) as the job writes them: {@code 233°04'05.6"}, or {@code S 53°04'05.6" W}. */
    public String azimuth(OptionalDouble radians) {
        return radians.isPresent() ? azimuth(radians.getAsDouble()) : NONE;
    }

    public String azimuth(double radians) {
        return units.bearings() == Units.Bearings.QUADRANT
                ? QuadrantBearing.write(radians, this::angle)
                : angle(radians);
    }

    /** An angle in file notation with its signs. */
    public String decorated(String written) {
        if (units.angle() != AngleUnit.DMS) {
            return written + (units.angle() == AngleUnit.GON ? " gon" : "°");
        }
        String[] parts = written.split("-");
        return parts.length == 3 ? parts[0] + "°" + parts[1] + "'" + parts[2] + "\"" : written;
    }

    /** About which direction, to the whole degree or gon. */
    public String coarse(OptionalDouble radians) {
        if (radians.isEmpty()) {
            return "";
        }
        boolean gon = units.angle() == AngleUnit.GON;
        long amount = Math.round(radians.getAsDouble() / Angles.TURN * (gon ? 400 : 360)) % (gon ? 400 : 360);
        return "about " + amount + (gon ? " gon" : "°");
    }

    /** A signed small angle (radians) in seconds or milligon. */
    public String small(OptionalDouble radians) {
        return radians.isPresent()
                ? signed(radians.getAsDouble() / units.angle().small(), 1)
                : NONE;
    }

    /** The same, unsigned. */
    public String smallSize(OptionalDouble radians) {
        return radians.isPresent()
                ? number(Math.abs(radians.getAsDouble()) / units.angle().small(), 1)
                : NONE;
    }

    /** The standard deviation of a variance (square radians) in seconds or milligon, with its sign. */
    public String rootSmall(OptionalDouble variance) {
        return variance.isPresent()
                ? number(Math.sqrt(variance.getAsDouble()) / units.angle().small(), 1) + smallSign()
                : NONE;
    }

    /** A small angle (radians, not negative) in seconds or milligon. */
    public String smallAmount(double radians) {
        return number(radians / units.angle().small(), 1);
    }

    /** A small length (metres) in millimetres, whatever the unit of the job: instruments and reflectors are described so. */
    public String millimetres(double metres) {
        return number(metres * 1000, 1);
    }

    /** A distance in the grid (metres) as it is on the ground. */
    public String ground(OptionalDouble grid, double scale) {
        return grid.isPresent() ? length(grid.getAsDouble() / scale) : NONE;
    }

    /** The sign behind a small angle. */
    public String smallSign() {
        return units.angle().smallSign();
    }

    /** A height as measured: {@code 1.602 to the notch}, or just the number to the axis. */
    public String height(Optional<MeasuredHeight> height) {
        return height.map(h -> length(h.value()) + (h.to() == MeasuredHeight.To.NOTCH ? " to the notch" : ""))
                .orElse(NONE);
    }

    /** The same, and where it was taped to the notch the height of the axis (metres) behind it. */
    public String height(Optional<MeasuredHeight> height, OptionalDouble axis) {
        boolean toNotch = height.filter(h -> h.to() == MeasuredHeight.To.NOTCH).isPresent();
        return height(height) + (toNotch ? ", " + length(axis) + " to the axis" : "");
    }

    /** Coordinates (metres) in one line; without an elevation none is said. */
    public String place(double northing, double easting, OptionalDouble elevation) {
        return "N " + length(northing) + "  E " + length(easting)
                + (elevation.isPresent() ? "  H " + length(elevation) : "");
    }

    /** How many there are of something, with its word. */
    public String count(long number, String one, String many) {
        return Sentence.count(number, one, many);
    }

    public String time(Optional<Instant> at) {
        return at.map(a -> TIME.format(a.atZone(zone()))).orElse("");
    }

    public String dayAndTime(Instant at) {
        return DAY_AND_TIME.format(at.atZone(zone()));
    }

    public String number(double amount, int decimals) {
        return Words.number(amount, decimals);
    }

    private static String signed(double amount, int decimals) {
        String text = Words.number(amount, decimals);
        boolean isZero = text.chars().allMatch(c -> c == '0' || c == '.');
        return text.startsWith("-") || isZero ? text : "+" + text;
    }

    /** The zone in which times are shown, by its name. */
    public String timeZone() {
        return zone().getId();
    }

    /** A name that this machine does not know stands for its own zone. */
    private ZoneId zone() {
        return isZone(units.timeZone()) ? ZoneId.of(units.timeZone()) : ZoneId.systemDefault();
    }

    /** Whether a time zone is known by that name. */
    public static boolean isZone(String name) {
        return ZONES.contains(name);
    }

    /** The names of all zones that are places, in order. */
    public static List<String> zones() {
        return ZONES.stream()
                .filter(name -> name.contains("/") && !name.startsWith("Etc/") && !name.startsWith("SystemV/"))
                .sorted()
                .toList();
    }
}
