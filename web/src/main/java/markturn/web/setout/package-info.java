/** Set-out and comparison: from the setup in hand to any point, and what was found against what was wanted. */
package markturn.web.setout;
