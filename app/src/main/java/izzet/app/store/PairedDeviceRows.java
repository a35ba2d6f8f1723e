package izzet.app.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Devices that were paired and links that read. */
public interface PairedDeviceRows extends JpaRepository<PairedDeviceRow, Long> {

    Optional<PairedDeviceRow> findByKeyDigest(String keyDigest);

    List<PairedDeviceRow> findByEndsAtAfterOrderByMadeAtDesc(Instant now);

    long deleteByEndsAtBefore(Instant now);
}
