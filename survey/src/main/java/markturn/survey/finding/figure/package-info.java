/** Rules that look at the figure: legs, traverses, the network: one class each, listed in {@code FigureRoom}. They lean on no other room. */
package markturn.survey.finding.figure;
