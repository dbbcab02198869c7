/** Rules that look at the sets: faces, residuals, spreads, how many: one class each, listed in {@code SetsRoom}. They lean on no other room. */
package markturn.survey.finding.sets;
