package markturn.tripod.view;

import markturn.survey.job.Reading;

/** A booked line as it is read back aloud, so that eyes stay at the eyepiece: signs of angles as words, each number after what it is. */
public final class Spoken {
    private Spoken() {}

    /**
     * The words of a line.
     *
     * @param circle as it is shown; zenith and slope likewise, empty where not read
     */
    public static String line(Reading reading, String circle, String zenith, String slope) {
        String face = reading.face() == Reading.Face.LEFT ? "left" : "right";
        return reading.target() + ", face " + face + ". Circle " + angle(circle) + "."
                + (zenith.isEmpty() ? "" : " Zenith " + angle(zenith) + ".")
                + (slope.isEmpty() ? "" : " Slope " + slope + ".");
    }

    private static String angle(String shown) {
        return shown.replace("°", " degrees ")
                .replace("'", " minutes ")
                .replace("\"", " seconds")
                .strip();
    }
}
