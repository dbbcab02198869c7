/** Angles on the circle and the ways people write them. Inside the program an angle is a double in radians; text is met only here. */
package markturn.survey.angle;
