/**
 * What readings show of the instrument they were read with: collimation, index and trunnion axis by setup, and its standard deviations from
 * sets. Radians and metres.
 */
package markturn.survey.instrument;
