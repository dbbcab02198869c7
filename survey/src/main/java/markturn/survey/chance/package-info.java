/** What chance does: the distributions on which limits and tests rest. */
package markturn.survey.chance;
