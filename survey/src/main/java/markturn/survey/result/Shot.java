package markturn.survey.result;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.reduce.PolarFix;

/**
 * One fix as it comes out from its setup.
 *
 * @param mark true name of the target
 * @param direction mean reduced direction, radians; empty where no set holds the zero
 * @param horizontal grid distance to the target, metres
 * @param rise height difference from mark to mark with the offset, metres
 * @param position of the point meant; empty where direction, distance or orientation is missing
 */
public record Shot(
        PolarFix fix,
        String mark,
        OptionalDouble direction,
        OptionalDouble horizontal,
        OptionalDouble rise,
        Optional<Position> position) {}
