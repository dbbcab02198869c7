/** What every page of an act at the instrument has in common; which pages there are stands in {@code markturn.tripod.Pages}. */
package markturn.tripod.page;
