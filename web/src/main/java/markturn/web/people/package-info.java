/** Who works here: accounts, their roles, signing in. */
package markturn.web.people;
