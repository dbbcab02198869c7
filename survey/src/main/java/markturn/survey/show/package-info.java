/** How numbers, signs, scales and sentences look to people, wherever they are shown: on a page, on paper, in the pocket. */
package markturn.survey.show;
