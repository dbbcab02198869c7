/** Where the instrument stands and how its circle lies: abstracts of sets, occupied marks, closing sights. */
package markturn.survey.station;
