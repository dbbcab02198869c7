/** Open formats in and out. What is wrong with a file is said line by line, with the path, the value and what was expected. */
package markturn.formats;
