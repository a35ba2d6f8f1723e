package izzet.app.store;

import org.springframework.data.jpa.repository.JpaRepository;

/** What a maker told, by name. */
public interface PreferenceRows extends JpaRepository<PreferenceRow, String> {}
