package markturn.survey.job;

import markturn.survey.angle.AngleUnit;

/**
 * The units a job is written in. They change what is typed and shown, never what is computed.
 *
 * @param bearings how azimuths are shown; both are understood wherever one is typed
 * @param timeZone name of the zone in which times are shown, such as {@code Europe/Vienna}; empty: that of the machine that shows them
 */
public record Units(LengthUnit length, AngleUnit angle, Bearings bearings, String timeZone) {
    /** How a direction against north is written. */
    public enum Bearings {
        /** Clockwise from north, through the whole circle. */
        AZIMUTH,
        /** From north or south towards east or west. */
        QUADRANT;

        /** The word in files. */
        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** With azimuths through the whole circle. */
    public Units(LengthUnit length, AngleUnit angle) {
        this(length, angle, Bearings.AZIMUTH);
    }

    /** With times as the machine has them. */
    public Units(LengthUnit length, AngleUnit angle, Bearings bearings) {
        this(length, angle, bearings, "");
    }
}
