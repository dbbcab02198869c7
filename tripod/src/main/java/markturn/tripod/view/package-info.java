/**
 * What a page draws, as text: views and what changed between two of them. A view is made of parts, each a few finished words, numbers and
 * flags under the names its template asks for, and of lines with a key each; only what differs is sent.
 */
package markturn.tripod.view;
