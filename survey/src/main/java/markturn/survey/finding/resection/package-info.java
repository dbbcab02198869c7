/** Rules that look at a station among marks: one class each, listed in {@code ResectionRoom}. They lean on no other room. */
package markturn.survey.finding.resection;
