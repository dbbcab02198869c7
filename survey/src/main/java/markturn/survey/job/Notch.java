package markturn.survey.job;

/** A point the tape is held to: at horizontal {@code radius} from the axis and {@code belowAxis} beneath it, metres. */
public record Notch(double radius, double belowAxis) {
    /**
     * The height to the axis from a slope taped to this notch: {@code sqrt(t^2 - r^2) + b} (Pythagoras; common practice).
     *
     * @param taped metres, longer than the radius
     * @throws IllegalArgumentException where the tape is shorter than the radius
     */
    public double vertical(double taped) {
        if (taped <= radius) {
            throw new IllegalArgumentException(
                    "taped to a notch at radius " + radius + " m: the slope must be longer than that");
        }
        return Math.sqrt(taped * taped - radius * radius) + belowAxis;
    }
}
