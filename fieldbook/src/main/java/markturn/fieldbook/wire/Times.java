package markturn.fieldbook.wire;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Month;
import java.time.OffsetDateTime;
import java.time.Year;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;

/** Times as documents hold them. */
final class Times {
    private static final String USUAL = "0000-00-00T00:00:00";

    private Times() {}

    /**
     * Reads a time such as {@code 2026-05-04T09:12:00Z}, with any offset.
     *
     * @throws DateTimeParseException where it is none
     */
    static Instant read(String text) {
        Instant usual = usual(text);
        return usual == null ? OffsetDateTime.parse(text).toInstant() : usual;
    }

    /**
     * The form in which this program writes, to the second or the millisecond in UTC: a job of ten thousands of readings is opened by it.
     * Null for any other.
     */
    private static Instant usual(String text) {
        boolean millis = text.length() == 24 && text.charAt(19) == '.';
        if (!(text.length() == 20 || millis) || text.charAt(text.length() - 1) != 'Z') {
            return null;
        }
        for (int i = 0; i < text.length() - 1; i++) {
            char form = i < 19 ? USUAL.charAt(i) : i == 19 ? '.' : '0';
            char c = text.charAt(i);
            if (form == '0' ? c < '0' || c > '9' : c != form) {
                return null;
            }
        }
        int year = number(text, 0, 4);
        int month = number(text, 5, 7);
        int day = number(text, 8, 10);
        if (month < 1 || month > 12 || day < 1 || day > Month.of(month).length(Year.isLeap(year))) {
            return null;
        }
        int hour = number(text, 11, 13);
        int minute = number(text, 14, 16);
        int second = number(text, 17, 19);
        if (hour > 23 || minute > 59 || second > 59) {
            return null;
        }
        int nanos = millis ? number(text, 20, 23) * 1_000_000 : 0;
        return LocalDate.of(year, month, day)
                .atTime(LocalTime.of(hour, minute, second, nanos))
                .toInstant(ZoneOffset.UTC);
    }

    private static int number(String text, int from, int to) {
        int number = 0;
        for (int i = from; i < to; i++) {
            number = number * 10 + (text.charAt(i) - '0');
        }
        return number;
    }
}
