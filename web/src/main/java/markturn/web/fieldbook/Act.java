package markturn.web.fieldbook;

import tools.jackson.databind.JsonNode;

/** What an entry is to say, before it has its place in the book. */
public record Act(EntryKind kind, JsonNode payload) {}
