package izzet.app.store;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Photographs of entries. */
public interface LogPhotoRows extends JpaRepository<LogPhotoRow, Long> {

    /** A photograph without its picture. */
    record Head(long id, long entryId, String name, int width, int height) {}

    @Query(
            """
            select new izzet.app.store.LogPhotoRows$Head(p.id, p.entryId, p.name, p.width, p.height) from LogPhotoRow p
            where p.entryId in :entries order by p.id""")
    List<Head> heads(List<Long> entries);

    @Query(
            """
            select p from LogPhotoRow p, LogEntryRow e where p.id = :id and e.id = p.entryId and e.planId = :plan""")
    Optional<LogPhotoRow> one(long plan, long id);

    @Query("select count(p) from LogPhotoRow p where p.entryId = :entry")
    long countOf(long entry);
}
