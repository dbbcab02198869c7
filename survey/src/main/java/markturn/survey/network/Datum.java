package markturn.survey.network;

import java.util.Optional;
import java.util.Set;

/**
 * What holds a network in place.
 *
 * @param plan marks that do not move in the plan
 * @param turn a mark of which one coordinate more is held, so that the figure cannot turn
 * @param turnNorth whether that is its northing
 * @param elevations marks whose elevation does not move
 * @param observed whether coordinates that are only observed, and given azimuths, take part
 */
record Datum(Set<String> plan, Optional<String> turn, boolean turnNorth, Set<String> elevations, boolean observed) {}
