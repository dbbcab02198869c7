package markturn.tripod.view;

/** Something a page draws. Its words are finished: a template puts them in their places and a script makes none. */
public interface Shown {
    /** What is drawn, under the names that its template asks for. */
    Sheet sheet();
}
