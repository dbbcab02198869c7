/** The whole job in one adjustment: every setup, whatever it was made for, and satellite fixes, on control. */
package markturn.survey.network;
