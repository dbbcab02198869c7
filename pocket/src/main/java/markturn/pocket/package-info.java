/** The computation, the field book and every act at the instrument, as a browser sees them. */
package markturn.pocket;
