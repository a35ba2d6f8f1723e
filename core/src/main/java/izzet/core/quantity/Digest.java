package izzet.core.quantity;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** SHA-256, which every Java has. */
public final class Digest {

    private Digest() {}

    public static MessageDigest begun() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    public static byte[] of(byte[] bytes) {
        return begun().digest(bytes);
    }

    public static byte[] of(String text) {
        return of(text.getBytes(StandardCharsets.UTF_8));
    }
}
