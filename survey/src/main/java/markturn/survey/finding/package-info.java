/** The judgement calls: every rule of every room, asked in one go, and what one finding explains of another. */
package markturn.survey.finding;
