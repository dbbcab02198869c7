package markturn.formats;

/** What every export says. */
final class Cautions {
    static final String EXPORT =
            "Boundaries, and anything others build or rely on, belong to a licensed surveyor under the local law. This file is no licence.";

    private Cautions() {}
}
