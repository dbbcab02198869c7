/** What a total station at a setup is asked for, whoever built it: the acts say what is sighted, it says what it shows. */
package markturn.tripod.station;
