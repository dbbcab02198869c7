/**
 * The same marks measured again: what moved, and what would have shown. Metres; azimuths and the signs of displacements as everywhere, later
 * minus earlier. It knows figures with their covariances and no readings.
 */
package markturn.survey.epoch;
