package izzet.core.catalog;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The catalogue's items packed, so that a start does not read and bind 500 kB of text. A value is one byte for its kind and
 * what follows; a text or a class is written in full where it first stands and by its number afterwards. It is made and read by the same
 * build, so it knows no versions.
 */
final class CatalogPack {

    /** Where it lies below the folder of the compiled classes. */
    static final String FILE = "catalog/shipped.pack";

    private static final byte NOTHING = 0;
    private static final byte NO = 1;
    private static final byte YES = 2;
    private static final byte WHOLE = 3;
    private static final byte LONG = 4;
    private static final byte REAL = 5;
    private static final byte TEXT = 6;
    private static final byte CHOICE = 7;
    private static final byte LIST = 8;
    private static final byte MAP = 9;
    private static final byte RECORD = 10;

    private CatalogPack() {}

    static Catalog shipped() {
        try (InputStream in = CatalogPack.class.getClassLoader().getResourceAsStream(FILE)) {
            if (in == null) {
                throw new IllegalStateException("The class path has no " + FILE + "; the build writes it.");
            }
            return read(in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static byte[] of(Collection<Board> boards, Collection<Part> parts) {
        return packed(List.copyOf(boards), List.copyOf(parts));
    }

    static byte[] of(List<? extends CatalogItem> items) {
        return packed(items);
    }

    private static byte[] packed(List<?>... lists) {
        Writer writer = new Writer();
        List.of(lists).forEach(writer::value);
        return writer.bytes.toByteArray();
    }

    static Catalog read(byte[] bytes) {
        Reader reader = new Reader(bytes);
        @SuppressWarnings("unchecked")
        List<Board> boards = (List<Board>) reader.value();
        @SuppressWarnings("unchecked")
        List<Part> parts = (List<Part>) reader.value();
        return new Catalog(boards, parts);
    }

    @SuppressWarnings("unchecked")
    static List<CatalogItem> items(byte[] bytes) {
        return (List<CatalogItem>) new Reader(bytes).value();
    }

    private static final class Writer {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private final DataOutputStream out = new DataOutputStream(bytes);
        private final Map<String, Integer> known = new HashMap<>();

        void value(Object value) {
            try {
                write(value);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }

        private void write(Object value) throws IOException, ReflectiveOperationException {
            if (value == null) {
                out.writeByte(NOTHING);
            } else if (value instanceof Boolean b) {
                out.writeByte(b ? YES : NO);
            } else if (value instanceof Integer i) {
                out.writeByte(WHOLE);
                out.writeInt(i);
            } else if (value instanceof Long l) {
                out.writeByte(LONG);
                out.writeLong(l);
            } else if (value instanceof Double d) {
                out.writeByte(REAL);
                out.writeDouble(d);
            } else if (value instanceof String s) {
                out.writeByte(TEXT);
                text(s);
            } else if (value instanceof Enum<?> e) {
                out.writeByte(CHOICE);
                text(e.getDeclaringClass().getName());
                out.writeByte(e.ordinal());
            } else if (value instanceof List<?> list) {
                out.writeByte(LIST);
                out.writeInt(list.size());
                list.forEach(this::value);
            } else if (value instanceof Map<?, ?> map) {
                out.writeByte(MAP);
                out.writeInt(map.size());
                map.forEach((k, v) -> {
                    value(k);
                    value(v);
                });
            } else if (value instanceof Record) {
                out.writeByte(RECORD);
                text(value.getClass().getName());
                for (RecordComponent c : value.getClass().getRecordComponents()) {
                    c.getAccessor().setAccessible(true);
                    write(c.getAccessor().invoke(value));
                }
            } else {
                throw new IllegalStateException("A " + value.getClass() + " of the catalogue cannot be packed.");
            }
        }

        private void text(String text) throws IOException {
            Integer number = known.putIfAbsent(text, known.size());
            out.writeInt(number == null ? known.size() - 1 : number);
            if (number == null) {
                byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
                out.writeInt(utf8.length);
                out.write(utf8);
            }
        }
    }

    private static final class Reader {
        private final byte[] bytes;
        private final ByteBuffer in;
        private final List<String> known = new ArrayList<>();
        private final Map<String, Constructor<?>> records = new HashMap<>();
        private final Map<String, Object[]> choices = new HashMap<>();

        Reader(byte[] bytes) {
            this.bytes = bytes;
            this.in = ByteBuffer.wrap(bytes);
        }

        Object value() {
            byte kind = in.get();
            return switch (kind) {
                case NOTHING -> null;
                case NO -> false;
                case YES -> true;
                case WHOLE -> in.getInt();
                case LONG -> in.getLong();
                case REAL -> in.getDouble();
                case TEXT -> text();
                case CHOICE -> choices.computeIfAbsent(text(), n -> classOf(n).getEnumConstants())[in.get()];
                case LIST -> list();
                case MAP -> map();
                case RECORD -> record();
                default -> throw new IllegalStateException("A pack of items has an unknown kind: " + kind + ".");
            };
        }

        private List<Object> list() {
            int size = in.getInt();
            List<Object> list = new ArrayList<>(size);
            for (int i = 0; i < size; i++) {
                list.add(value());
            }
            return list;
        }

        private Map<Object, Object> map() {
            int size = in.getInt();
            Map<Object, Object> map = new HashMap<>();
            for (int i = 0; i < size; i++) {
                map.put(value(), value());
            }
            return map;
        }

        private Object record() {
            Constructor<?> constructor = records.computeIfAbsent(text(), Reader::constructor);
            Object[] values = new Object[constructor.getParameterCount()];
            for (int i = 0; i < values.length; i++) {
                values[i] = value();
            }
            try {
                return constructor.newInstance(values);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }

        private String text() {
            int number = in.getInt();
            if (number == known.size()) {
                int length = in.getInt();
                known.add(new String(bytes, in.position(), length, StandardCharsets.UTF_8));
                in.position(in.position() + length);
            }
            return known.get(number);
        }

        private static Constructor<?> constructor(String name) {
            Class<?> type = classOf(name);
            try {
                Constructor<?> constructor = type.getDeclaredConstructor(Arrays.stream(type.getRecordComponents())
                        .map(RecordComponent::getType)
                        .toArray(Class<?>[]::new));
                constructor.setAccessible(true);
                return constructor;
            } catch (NoSuchMethodException e) {
                throw new IllegalStateException(e);
            }
        }

        private static Class<?> classOf(String name) {
            try {
                return Class.forName(name);
            } catch (ClassNotFoundException e) {
                throw new IllegalStateException(e);
            }
        }
    }
}
