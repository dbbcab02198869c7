/** Control in two systems: how the one lies in the other, by marks that are known in both. */
package markturn.survey.transform;
