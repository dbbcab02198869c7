package markturn.simulator;

import java.util.Optional;
import markturn.survey.result.Position;

/**
 * How well stated precisions hold, gathered over many jobs of known truth: how many 95 % ellipses and bands hold it, and the root mean
 * square of what should be standard normal deviates.
 */
public final class Coverage {
    private static final double PLANE_95 = 5.991;
    private static final double LINE_95 = 1.96;

    private int places;
    private int inEllipse;
    private double planSquares;
    private int levels;
    private int inBand;
    private double levelSquares;

    /** Takes in one place beside its truth. */
    public void take(Position stated, World.TruePlace truth) {
        double north = stated.northing() - truth.northing();
        double east = stated.easting() - truth.easting();
        double nn = stated.plan().nn();
        double ee = stated.plan().ee();
        double ne = stated.plan().ne();
        double squared = (ee * north * north + nn * east * east - 2 * ne * north * east) / (nn * ee - ne * ne);
        places++;
        planSquares += squared;
        inEllipse += squared < PLANE_95 ? 1 : 0;
        Optional.of(stated.elevation()).filter(up -> up.isPresent()).ifPresent(up -> {
            double z = (up.getAsDouble() - truth.elevation())
                    / Math.sqrt(stated.elevationVariance().getAsDouble());
            levels++;
            levelSquares += z * z;
            inBand += Math.abs(z) < LINE_95 ? 1 : 0;
        });
    }

    /** Share of 95 % ellipses that hold the truth. */
    public double ellipses() {
        return (double) inEllipse / places;
    }

    /** Share of 95 % bands of elevation that hold the truth. */
    public double bands() {
        return (double) inBand / levels;
    }

    /** Root mean square of the plan's normal deviates, both components alike; 1 where the promise is exact. */
    public double planDeviate() {
        return Math.sqrt(planSquares / (2 * places));
    }

    /** The same of elevations. */
    public double levelDeviate() {
        return Math.sqrt(levelSquares / levels);
    }

    @Override
    public String toString() {
        return "ellipses %.1f %%, rms %.3f; elevations %.1f %%, rms %.3f; of %d"
                .formatted(100 * ellipses(), planDeviate(), 100 * bands(), levelDeviate(), places);
    }
}
