/** Rules that look at a setup's care: heights, level, air, reflectors: one class each, listed in {@code SetupRoom}. They lean on no other room. */
package markturn.survey.finding.setup;
