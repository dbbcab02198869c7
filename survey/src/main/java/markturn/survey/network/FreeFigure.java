package markturn.survey.network;

import java.util.List;

/**
 * Marks as sights alone give them, on a datum of no meaning: what lies between them is known, not where they lie.
 *
 * @param marks true names
 * @param dimension values of a mark: 2 in plan, northing before easting; 1 in elevation
 * @param values metres, mark after mark
 * @param covariance of all values, square metres; of a rank less by what the datum held
 */
public record FreeFigure(List<String> marks, int dimension, double[] values, double[][] covariance) {}
