/** What leaves the office: files. */
package markturn.web.deliver;
