/** What was computed, as records. Lengths metres, angles radians; a number that does not exist is empty, never 0. */
package markturn.survey.result;
