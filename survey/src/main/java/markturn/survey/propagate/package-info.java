/** Where the errors of computed places come from: every independent source once, and its way into all that hangs on it. */
package markturn.survey.propagate;
