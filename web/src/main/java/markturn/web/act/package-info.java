/** What every act at the instrument has in common on the server: storing what tripod makes of it, and answering with what changed. */
package markturn.web.act;
