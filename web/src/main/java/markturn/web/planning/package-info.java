/** Planning the work: ground and plans of a job kept, tried within the page, taken as the work, printed. */
package markturn.web.planning;
