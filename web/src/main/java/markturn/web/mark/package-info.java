/** Control marks: typed in a grid, with where they come from and how they were found. */
package markturn.web.mark;
