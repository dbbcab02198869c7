/** Readings to directions, distances and height differences: faces, sets, slopes, atmosphere, grid. Lengths metres, angles radians. */
package markturn.survey.reduce;
