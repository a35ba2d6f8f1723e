package izzet.app.sharing;

import izzet.app.fault.NoSuchThing;
import izzet.app.fault.WrongField;
import izzet.app.plan.PlanStore;
import izzet.app.store.PairedDeviceRow;
import izzet.app.store.PairedDeviceRows;
import izzet.core.quantity.Digest;
import izzet.core.quantity.Names;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Devices that were paired, and links that let somebody read one plan. Each has a key of 256 random bits that only it knows; the database
 * keeps a digest of it, so that a copy of the database opens nothing.
 */
@Service
@ConditionalOnProperty("izzet.lan")
@Transactional
class Devices {

    /** How long a device stays paired after it was last used. */
    static final Duration LIFE = Duration.ofDays(30);

    private static final int KEY_BYTES = 32;
    private static final int MOST = 200;
    /** Longest key that is looked for; ours are shorter. */
    private static final int MOST_KEY = 100;
    /** How often use is written down; reading shall need next to nothing of the disk. */
    private static final Duration SEEN = Duration.ofHours(1);

    private final PairedDeviceRows rows;
    private final PlanStore plans;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Devices(PairedDeviceRows rows, PlanStore plans, Clock clock) {
        this.rows = rows;
        this.plans = plans;
        this.clock = clock;
    }

    /** @param planId the only plan it may read; null for one that may do everything */
    record Device(long id, String name, Long planId) {

        boolean reads() {
            return planId != null;
        }
    }

    /**
     * Keeps a new device.
     *
     * @return its key, told this once
     */
    String pair(String name) {
        return keep(name, null);
    }

    /**
     * A link that reads one plan.
     *
     * @return its key, told this once
     */
    String link(long planId, String name) {
        plans.get(planId);
        return keep(name, planId);
    }

    private String keep(String name, Long planId) {
        String told = Names.cleaned(name).strip();
        if (told.isEmpty() || told.length() > PairedDeviceRow.MOST_NAME) {
            throw new WrongField(
                    "name",
                    "The name: 1 to " + PairedDeviceRow.MOST_NAME + " characters, such as 'phone at the bench'.");
        }
        Instant now = clock.instant();
        rows.deleteByEndsAtBefore(now);
        if (rows.count() >= MOST) {
            throw new WrongField(
                    "name", "There are " + MOST + " devices and links already; end some that are not used.");
        }
        byte[] bytes = new byte[KEY_BYTES];
        random.nextBytes(bytes);
        String key = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        rows.save(new PairedDeviceRow(digest(key), told, planId, now, now.plus(LIFE)));
        return key;
    }

    /** Whose key this is; empty for nobody's, and for one that was ended or not used for long. */
    Optional<Device> of(String key) {
        if (key == null || key.isEmpty() || key.length() > MOST_KEY) {
            return Optional.empty();
        }
        Instant now = clock.instant();
        return rows.findByKeyDigest(digest(key))
                .filter(r -> now.isBefore(r.endsAt()))
                .map(r -> {
                    if (r.seenAt().plus(SEEN).isBefore(now)) {
                        r.seen(now, now.plus(LIFE));
                    }
                    return new Device(r.id(), r.name(), r.planId());
                });
    }

    /** Those that can be used, the latest first. */
    @Transactional(readOnly = true)
    List<PairedDeviceRow> all() {
        return rows.findByEndsAtAfterOrderByMadeAtDesc(clock.instant());
    }

    /** From now on its key opens nothing. */
    void end(long id) {
        rows.delete(rows.findById(id).orElseThrow(() -> new NoSuchThing("There is no device or link " + id + ".")));
    }

    private static String digest(String key) {
        return HexFormat.of().formatHex(Digest.of(key));
    }
}
