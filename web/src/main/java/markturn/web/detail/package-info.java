/** Detail, shot after shot: codes, names that come by themselves, poles, special sights, and the sketch that grows with them. */
package markturn.web.detail;
