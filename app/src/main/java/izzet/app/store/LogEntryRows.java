package izzet.app.store;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

/** Entries of logs; those that were deleted are left out, except by their number. */
public interface LogEntryRows extends JpaRepository<LogEntryRow, Long> {

    /** Newest first. */
    @Query("select e from LogEntryRow e where e.planId = :plan and not e.deleted order by e.at desc, e.id desc")
    List<LogEntryRow> of(long plan, Limit most);

    /** @param like lower case, with percent signs round it; backslash in front of what is meant as it stands */
    @Query(
            """
            select e from LogEntryRow e where e.planId = :plan and not e.deleted and (lower(e.title) like :like escape '\\'
              or lower(e.text) like :like escape '\\' or lower(e.aboutWords) like :like escape '\\') order by e.at desc, e.id desc""")
    List<LogEntryRow> find(long plan, String like, Limit most);

    /** Over all plans that are not deleted. */
    @Query(
            """
            select e from LogEntryRow e, PlanRow p where p.id = e.planId and p.deletedAt is null and not e.deleted
              and (lower(e.title) like :like escape '\\' or lower(e.text) like :like escape '\\'
              or lower(e.aboutWords) like :like escape '\\') order by e.at desc, e.id desc""")
    List<LogEntryRow> findAll(String like, Limit most);

    /** On one trouble, over all plans that are not deleted. */
    @Query(
            """
            select e from LogEntryRow e, PlanRow p where p.id = e.planId and p.deletedAt is null and not e.deleted
              and e.trouble = :trouble order by e.at desc, e.id desc""")
    List<LogEntryRow> on(String trouble, Limit most);

    @Query("select e from LogEntryRow e where e.planId = :plan and e.id = :id")
    Optional<LogEntryRow> one(long plan, long id);

    @NativeQuery("select count(*) from log_entry where plan_id = :plan and not deleted")
    long countOf(long plan);

    @Query("select e.about from LogEntryRow e where e.planId = :plan and not e.deleted and e.about <> ''")
    List<String> abouts(long plan);
}
