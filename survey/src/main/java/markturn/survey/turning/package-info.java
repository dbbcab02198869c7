/** Leading through the pointings of a setup: which target, which face, which set comes next. */
package markturn.survey.turning;
