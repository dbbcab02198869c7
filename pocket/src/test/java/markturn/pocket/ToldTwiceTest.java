package markturn.pocket;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** What a server tells twice, as two exchanges under way at once do, stands once on the device. Common practice, no source. */
class ToldTwiceTest {
    private static final String WHO =
            "{\"account\":\"wren\",\"by\":\"Wren Teasel\",\"device\":\"tablet\",\"now\":\"2026-04-17T08:00:00Z\",\"surveyor\":\"true\"}";

    private static String mark(int sequence, String name) {
        return "{\"sequence\":" + sequence + ",\"key\":\"told-" + sequence
                + "\",\"at\":\"2026-04-17T08:00:00Z\",\"by\":\"wren\",\"kind\":\"mark\",\"revision\":1,"
                + "\"payload\":{\"name\":\"" + name + "\",\"kind\":\"control\",\"northing\":1000,\"easting\":5000}}";
    }

    @Test
    void anEntryThatIsToldTwiceStandsOnce() {
        Core.open("twice", "[" + mark(1, "A") + "]", "[]", WHO);
        Core.tell("twice", "[" + mark(1, "A") + "," + mark(2, "B") + "]", WHO);
        String once = Core.page("twice", "mark", "", "page", "{}", WHO);
        assertThat(Core.tell("twice", "[" + mark(1, "A") + "," + mark(2, "B") + "]", WHO))
                .startsWith("{\"upTo\":2");
        assertThat(Core.page("twice", "mark", "", "page", "{}", WHO)).isEqualTo(once);
        assertThat(once.split("How A was found", -1)).hasSize(2);
    }
}
