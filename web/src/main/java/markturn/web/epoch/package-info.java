/** The same marks measured again: the next epoch begun from the last, and what moved between any two. */
package markturn.web.epoch;
