package markturn.fieldbook.wire;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A small tree of values: what a job file and an entry's payload are made of, whatever text they are written in. Keys keep their order.
 * Fields and items grow while they are written and are left alone afterwards.
 */
public sealed interface Tree {
    /** What stands where nothing stands. */
    Tree NOTHING = new Nothing();

    /** What stands where a value belongs that does not exist: JSON's null. */
    Tree UNKNOWN = new Unknown();

    /** What stands under a key; {@link #NOTHING} where nothing does. */
    default Tree at(String key) {
        return NOTHING;
    }

    /** Whether something stands under a key. */
    default boolean has(String key) {
        return at(key) != NOTHING;
    }

    /** The text under a key; empty where none is. */
    default String text(String key) {
        return at(key) instanceof Text text ? text.value() : "";
    }

    /** The same as text, number or flag, list or map of the language, for what is kept as it is. */
    Object plain();

    /** A tree of a text, a number, a flag, a list or a map with texts for keys; anything else is kept as its text. */
    static Tree of(Object plain) {
        if (plain instanceof Tree tree) {
            return tree;
        } else if (plain instanceof Map<?, ?> map) {
            Fields fields = new Fields();
            map.forEach((key, value) -> fields.put(key.toString(), of(value)));
            return fields;
        } else if (plain instanceof List<?> list) {
            Items items = new Items();
            list.forEach(each -> items.add(of(each)));
            return items;
        } else if (plain instanceof Boolean flag) {
            return new Flag(flag);
        } else if (plain instanceof Number number) {
            return Amount.of(number);
        }
        return plain == null ? NOTHING : new Text(plain.toString());
    }

    /** Nothing. */
    record Nothing() implements Tree {
        @Override
        public Object plain() {
            return "";
        }
    }

    /** A value that does not exist. */
    record Unknown() implements Tree {
        @Override
        public Object plain() {
            return "";
        }
    }

    /** A text. */
    record Text(String value) implements Tree {
        @Override
        public Object plain() {
            return value;
        }
    }

    /** Yes or no. */
    record Flag(boolean value) implements Tree {
        @Override
        public Object plain() {
            return value;
        }
    }

    /**
     * A number: whole, or of decimals as they were written. A whole one that fits is an {@code Integer} or {@code Long} as a plain value,
     * any other a {@code Double}.
     *
     * @param digits exact digits where they matter to who writes; empty stands for those of the value
     */
    record Amount(double value, boolean whole, Optional<BigDecimal> digits) implements Tree {
        /** Of any kind of number. */
        public static Amount of(Number number) {
            if (number instanceof BigDecimal exact) {
                return new Amount(exact.doubleValue(), exact.scale() <= 0, Optional.of(exact));
            }
            boolean whole = number instanceof Integer || number instanceof Long || number instanceof Short;
            return new Amount(number.doubleValue(), whole, Optional.empty());
        }

        @Override
        public Object plain() {
            if (!whole) {
                return value;
            }
            long all = (long) value;
            if (all == (int) all) {
                return (int) all;
            }
            return all;
        }
    }

    /** A list. */
    final class Items implements Tree, Iterable<Tree> {
        private final List<Tree> all = new ArrayList<>();

        public Items add(Tree item) {
            all.add(item);
            return this;
        }

        public Items add(String text) {
            return add(new Text(text));
        }

        public Items add(Number number) {
            return add(Amount.of(number));
        }

        /** Adds empty fields, to be filled. */
        public Fields addFields() {
            Fields fields = new Fields();
            all.add(fields);
            return fields;
        }

        public int size() {
            return all.size();
        }

        @Override
        public Iterator<Tree> iterator() {
            return all.iterator();
        }

        @Override
        public Object plain() {
            return all.stream().map(Tree::plain).toList();
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Items items && all.equals(items.all);
        }

        @Override
        public int hashCode() {
            return all.hashCode();
        }

        @Override
        public String toString() {
            return all.toString();
        }
    }

    /** Values by their keys. */
    final class Fields implements Tree {
        private final Map<String, Tree> all = new LinkedHashMap<>();

        /** Puts a value under a key; nothing is put where it is {@link Tree#NOTHING}. */
        public Fields put(String key, Tree value) {
            if (value != NOTHING) {
                all.put(key, value);
            }
            return this;
        }

        public Fields put(String key, String text) {
            return put(key, new Text(text));
        }

        public Fields put(String key, Number number) {
            return put(key, Amount.of(number));
        }

        public Fields put(String key, boolean flag) {
            return put(key, new Flag(flag));
        }

        /** Puts all that stands in other fields. */
        public Fields putAll(Fields more) {
            all.putAll(more.all);
            return this;
        }

        /** Puts empty fields under a key, to be filled. */
        public Fields putFields(String key) {
            Fields fields = new Fields();
            all.put(key, fields);
            return fields;
        }

        /** Puts an empty list under a key, to be filled. */
        public Items putItems(String key) {
            Items items = new Items();
            all.put(key, items);
            return items;
        }

        /** Key and value of each, in order. */
        public Map<String, Tree> all() {
            return all;
        }

        @Override
        public Tree at(String key) {
            return all.getOrDefault(key, NOTHING);
        }

        @Override
        public Object plain() {
            Map<String, Object> plain = new LinkedHashMap<>();
            all.forEach((key, value) -> plain.put(key, value.plain()));
            return plain;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Fields fields && all.equals(fields.all);
        }

        @Override
        public int hashCode() {
            return all.hashCode();
        }

        @Override
        public String toString() {
            return all.toString();
        }
    }
}
