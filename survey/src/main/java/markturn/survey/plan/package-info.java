/**
 * Work before it is done: what the ground lets see, what planned setups will give, where to stand, what it takes. Nothing is adjusted here:
 * precision and reliability are those of {@code markturn.survey.network}, foreseen. Lengths metres, angles radians, azimuths clockwise from
 * north.
 */
package markturn.survey.plan;
