package izzet.app.sharing;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * The key with which the next device is paired. It works once, for ten minutes, and is gone after some wrong tries; 12 of 30 signs, so
 * that guessing it would need more than 10^17 tries.
 */
@Component
@ConditionalOnProperty("izzet.lan")
class PairingKey {

    /** How long a key can be used. */
    static final Duration LIFE = Duration.ofMinutes(10);

    /** Wrong tries after which it is gone. */
    static final int MOST_WRONG = 20;

    private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTVWXYZ";
    private static final int GROUPS = 3;
    private static final int GROUP = 4;

    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private String key;
    private Instant until = Instant.MIN;
    private int wrong;

    PairingKey(Clock clock) {
        this.clock = clock;
    }

    /** A new one in groups of four signs; the one before is gone. */
    synchronized String fresh() {
        StringBuilder made = new StringBuilder();
        for (int i = 0; i < GROUPS * GROUP; i++) {
            made.append(i > 0 && i % GROUP == 0 ? "-" : "").append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        key = made.toString();
        until = clock.instant().plus(LIFE);
        wrong = 0;
        return key;
    }

    /** Whether there is one that can be used. */
    synchronized boolean there() {
        if (key != null && !clock.instant().isBefore(until)) {
            key = null;
        }
        return key != null;
    }

    /**
     * Takes the key; it does not work again.
     *
     * @param typed in any case, with or without dashes and spaces
     * @return whether it was the key
     */
    synchronized boolean take(String typed) {
        if (!there()) {
            return false;
        }
        boolean same = MessageDigest.isEqual(bytes(typed), bytes(key));
        if (same || ++wrong >= MOST_WRONG) {
            key = null;
        }
        return same;
    }

    private static byte[] bytes(String text) {
        return text.toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "").getBytes(StandardCharsets.UTF_8);
    }
}
