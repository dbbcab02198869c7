/** What every rule is made of: the kinds of rule, the evidence it is given, what it finds, and the answers people gave. */
package markturn.survey.finding.base;
