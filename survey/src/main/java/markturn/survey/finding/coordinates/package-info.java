/** Rules that look at coordinates: how a mark was found and how well it agrees: one class each, listed in {@code CoordinatesRoom}. They lean on no other room. */
package markturn.survey.finding.coordinates;
