/**
 * Every act at the instrument, without a page: what was typed becomes entries, or faults by field; a book becomes a view of finished words,
 * numbers and shapes. It runs on the server and in a browser: time comes in as an argument, and nothing here knows a request.
 */
package markturn.tripod;
