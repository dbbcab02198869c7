/** The report of a computed job, on screen, printed and as PDF; and numbers, limits and signs as people read them. */
package markturn.report;
