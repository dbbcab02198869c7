/** Positions carried from a setup: polar shots, offsets, and second looks at what has a position. */
package markturn.survey.locate;
