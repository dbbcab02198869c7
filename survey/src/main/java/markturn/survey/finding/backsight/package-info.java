/** Rules that look at the orientation by known marks: one class each, listed in {@code BacksightRoom}. They lean on no other room. */
package markturn.survey.finding.backsight;
