/**
 * Least squares. A problem is a list of observations over numbered unknowns; each kind of observation is one small class that knows its
 * theoretical value and its partial derivatives. The normal equations stand behind one interface, the adjusted result does not change.
 * Lengths metres, angles radians; a residual is adjusted minus observed.
 */
package markturn.survey.adjust;
