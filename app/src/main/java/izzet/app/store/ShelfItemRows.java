package izzet.app.store;

import java.util.List;
import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

/** Versions of items that plans were made with, and own items. */
public interface ShelfItemRows extends JpaRepository<ShelfItemRow, ShelfItemRow.Key> {

    @NativeQuery("select * from shelf_item order by kind, id, version")
    List<ShelfItemRow> inOrder();

    @Query("select new izzet.app.store.ShelfItemRow$Key(s.key.kind, s.key.itemId, s.key.version) from ShelfItemRow s")
    Set<ShelfItemRow.Key> keys();

    /** The highest version known of an item; 0 for none. */
    @Query("select coalesce(max(s.key.version), 0) from ShelfItemRow s where s.key.kind = :kind and s.key.itemId = :id")
    int newest(String kind, String id);

    @Query("select count(distinct concat(s.key.kind, s.key.itemId)) from ShelfItemRow s where s.own")
    long owned();

    /** Takes an own item off the shelf, or puts it back; returns how many versions it has. */
    @Modifying
    @Query("update ShelfItemRow s set s.offShelf = :off where s.key.kind = :kind and s.key.itemId = :id and s.own")
    int offer(String kind, String id, boolean off);
}
