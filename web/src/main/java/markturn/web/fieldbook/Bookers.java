package markturn.web.fieldbook;

import markturn.fieldbook.Booker;

/** Who somebody is in the office, as far as booking goes. */
public interface Bookers {
    /** By sign-in name; whoever has no account has no role. */
    Booker booker(String signInName);
}
