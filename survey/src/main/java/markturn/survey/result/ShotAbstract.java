package markturn.survey.result;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.PolarFix;
import markturn.survey.reduce.SetMeans;

/**
 * The abstract of a single shot, on one circle, on one face or both: all of it follows from the shot. There are thousands in a job, and
 * few are ever looked at, so it is made when it is.
 *
 * @param lastSet of the setup
 */
public record ShotAbstract(Shot shot, int lastSet) implements SetAbstract {
    @Override
    public PolarFix fix() {
        return shot.fix();
    }

    private SetMeans means() {
        return shot.fix().pointings().means();
    }

    @Override
    public int sets() {
        return shot.direction().isPresent() ? 1 : 0;
    }

    @Override
    public double count() {
        return shot.direction().isEmpty() ? 0 : shot.fix().isOnBothFaces() ? 1 : 0.5;
    }

    @Override
    public OptionalDouble direction() {
        return shot.direction();
    }

    @Override
    public List<OptionalDouble> directions() {
        return bySet(means -> shot.direction());
    }

    @Override
    public List<OptionalDouble> residuals() {
        return bySet(means -> shot.direction().isPresent() ? OptionalDouble.of(0) : OptionalDouble.empty());
    }

    @Override
    public OptionalDouble stdDev() {
        return OptionalDouble.empty();
    }

    @Override
    public OptionalDouble stdDevMean() {
        return OptionalDouble.empty();
    }

    @Override
    public List<OptionalDouble> collimation() {
        return bySet(FaceMeans::collimation);
    }

    @Override
    public List<OptionalDouble> index() {
        return bySet(FaceMeans::index);
    }

    @Override
    public List<OptionalDouble> distances() {
        return bySet(FaceMeans::slope);
    }

    @Override
    public OptionalDouble zenith() {
        return means().zenith();
    }

    @Override
    public OptionalDouble slope() {
        return means().slope();
    }

    @Override
    public OptionalDouble horizontal() {
        return shot.horizontal();
    }

    @Override
    public OptionalDouble elevationDifference() {
        return shot.elevationDifference();
    }

    private List<OptionalDouble> bySet(Function<FaceMeans, OptionalDouble> what) {
        return means().bySet(lastSet, what);
    }
}
