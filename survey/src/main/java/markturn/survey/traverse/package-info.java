/**
 * Traverses: the legs of a route from the setups on it, misclosures, the rules that spread them. Lengths metres, angles radians; a
 * misclosure is carried minus known.
 */
package markturn.survey.traverse;
