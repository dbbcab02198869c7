/** The judgement calls: one class per rule. A new one is one new file here and one line in {@code Rules}. */
package markturn.survey.finding;
