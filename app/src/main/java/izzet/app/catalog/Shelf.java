package izzet.app.catalog;

import izzet.app.backup.DataKeeper;
import izzet.app.store.ShelfItemRow;
import izzet.app.store.ShelfItemRows;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogException;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.LookAlikes;
import izzet.core.catalog.Part;
import izzet.core.check.Checker;
import izzet.core.choose.Chooser;
import izzet.core.find.QuickList;
import izzet.core.find.Search;
import izzet.core.plan.Plan;
import izzet.core.repair.Repairs;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.util.function.SingletonSupplier;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What stands on the shelf: the shipped files and the user's own items. Every version that a plan was made with is kept, so that neither
 * an edit of an own item nor a newer release can change a plan silently.
 */
@Service
@Lazy(false)
public class Shelf {

    /** With which ids of own items begin; no shipped file has it. */
    public static final String OWN = "own-";

    /** Longest document of an item, in characters. */
    public static final int MOST_CHARS = 500_000;

    private static final int MOST_OWN = 500;
    private static final int LONGEST_ID = 48;

    private final Catalog shipped;
    private final Checker checker;
    private final Repairs repairs;
    private final ShelfItemRows items;
    private final EntityManager entities;
    private final TransactionOperations transactions;
    private final Clock clock;
    private final CatalogReader reader;
    private final ReadItems readItems;
    private volatile State state;

    private record State(
            Catalog catalog,
            Supplier<Search> search,
            Supplier<LookAlikes> lookAlikes,
            Supplier<Chooser> chooser,
            List<String> unreadable,
            List<Own> taken) {}

    /** An own item that was taken off the shelf; plans that have it keep it. */
    public record Own(boolean board, String id, int version, String name) {}

    Shelf(
            Catalog shipped,
            Checker checker,
            Repairs repairs,
            ShelfItemRows items,
            EntityManager entities,
            TransactionOperations transactions,
            Clock clock,
            DataKeeper keeper) {
        this.shipped = shipped;
        this.checker = checker;
        this.repairs = repairs;
        this.items = items;
        this.entities = entities;
        this.transactions = transactions;
        this.clock = clock;
        this.reader = new CatalogReader();
        this.readItems = new ReadItems(reader, keeper.folder());
        load();
    }

    public Catalog catalog() {
        return state.catalog();
    }

    public Search search() {
        return state.search().get();
    }

    public QuickList quickList() {
        State now = state;
        return new QuickList(now.catalog(), now.search());
    }

    public LookAlikes lookAlikes() {
        return state.lookAlikes().get();
    }

    public Chooser chooser() {
        return state.chooser().get();
    }

    /** Own items whose stored file this program cannot read, with the reason. */
    public List<String> unreadable() {
        return state.unreadable();
    }

    /** Own items off the shelf. */
    public List<Own> offShelf() {
        return state.taken();
    }

    public static boolean isOwn(String id) {
        return id.startsWith(OWN);
    }

    private static String kind(boolean board) {
        return board ? "board" : "part";
    }

    private synchronized void load() {
        Map<String, CatalogItem> shelf = new TreeMap<>();
        List<CatalogItem> kept = new ArrayList<>();
        List<String> unreadable = new ArrayList<>();
        Map<String, Own> taken = new TreeMap<>();
        List<ShelfItemRow> rows =
                items.inOrder().stream().filter(row -> !asShipped(row.key())).toList();
        Map<ShelfItemRow.Key, CatalogItem> read = readItems.of(rows, unreadable);
        for (ShelfItemRow row : rows) {
            ShelfItemRow.Key key = row.key();
            CatalogItem item = read.get(key);
            if (item == null) {
                continue;
            }
            kept.add(item);
            String name = key.kind() + " " + key.itemId();
            if (row.own() && !row.offShelf()) {
                // Rows come in the order of their versions; the last one stands on the shelf.
                shelf.put(name, item);
                taken.remove(name);
            } else if (row.own()) {
                shelf.remove(name);
                taken.put(name, new Own(item instanceof Board, key.itemId(), key.version(), item.name()));
            }
        }
        List<Board> boards = new ArrayList<>(shipped.boards().values());
        List<Part> parts = new ArrayList<>(shipped.parts().values());
        boards.addAll(of(shelf.values(), Board.class));
        parts.addAll(of(shelf.values(), Part.class));
        Catalog catalog = new Catalog(boards, parts, of(kept, Board.class), of(kept, Part.class));
        state = new State(
                catalog,
                SingletonSupplier.of(() -> new Search(catalog)),
                SingletonSupplier.of(() -> new LookAlikes(catalog)),
                SingletonSupplier.of(() -> new Chooser(catalog, checker, repairs)),
                List.copyOf(unreadable),
                List.copyOf(taken.values()));
    }

    private boolean asShipped(ShelfItemRow.Key key) {
        Optional<? extends CatalogItem> item = isBoard(key) ? shipped.board(key.itemId()) : shipped.part(key.itemId());
        return item.filter(i -> i.version() == key.version()).isPresent();
    }

    static boolean isBoard(ShelfItemRow.Key key) {
        return key.kind().equals("board");
    }

    private static <T> List<T> of(java.util.Collection<CatalogItem> items, Class<T> type) {
        return items.stream().filter(type::isInstance).map(type::cast).toList();
    }

    /** The plan with the version of its board written down. */
    public Plan pinned(Plan plan) {
        return plan.boardVersion() != null
                ? plan
                : catalog()
                        .board(plan.board())
                        .map(b -> plan.withBoardVersion(b.version()))
                        .orElse(plan);
    }

    /** Keeps the versions that a plan was made with. Part of the caller's transaction. */
    public void keep(Plan plan) {
        Set<ShelfItemRow.Key> there = new HashSet<>(items.keys());
        catalog().board(plan.board(), plan.boardVersion()).ifPresent(b -> keep(there, b));
        plan.parts().forEach(p -> catalog().part(p.part(), p.partVersion()).ifPresent(x -> keep(there, x)));
    }

    private void keep(Set<ShelfItemRow.Key> there, CatalogItem item) {
        boolean board = item instanceof Board;
        if (there.add(new ShelfItemRow.Key(kind(board), item.id(), item.version()))) {
            insert(board, item.id(), item.version(), isOwn(item.id()), CatalogWriter.text(item));
        }
    }

    private void insert(boolean board, String id, int version, boolean own, String document) {
        entities.persist(
                new ShelfItemRow(new ShelfItemRow.Key(kind(board), id, version), own, clock.instant(), document));
    }

    /** The highest version known of an own item; 0 for none. */
    private int newest(boolean board, String id) {
        return items.newest(kind(board), id);
    }

    /**
     * A board's or a part's file, read and put nowhere.
     *
     * @param name that errors call it
     * @throws CatalogException with line and reason
     */
    public CatalogItem read(String name, String text) {
        return isBoard(text) ? reader.board(name, text) : reader.part(name, text);
    }

    private static boolean isBoard(String text) {
        try {
            JsonNode tree = JsonMapper.shared().readTree(text);
            return tree != null && tree.has("pins");
        } catch (JacksonException e) {
            // The reader tells line and reason.
            return false;
        }
    }

    /** An id for a new own item of this name. */
    public String freeId(boolean board, String name) {
        String plain = OWN
                + name.toLowerCase(java.util.Locale.ROOT)
                        .replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-|-$", "");
        String stem = plain.substring(0, Math.min(LONGEST_ID, plain.length())).replaceAll("-+$", "");
        String id = stem;
        for (int i = 2; newest(board, id) > 0; i++) {
            id = stem + "-" + i;
        }
        return id;
    }

    /**
     * Puts an own item on the shelf: as a new one, or as the next version when the shelf has it with other content. The same content is
     * put nowhere twice.
     *
     * @param item read from a file, whose id and version are taken as far as they are free
     * @return the item as it stands on the shelf now
     */
    public synchronized CatalogItem put(CatalogItem item) {
        return put(
                item,
                isOwn(item.id())
                        ? item.id()
                        : OWN
                                + item.id()
                                        .substring(
                                                0,
                                                Math.min(LONGEST_ID, item.id().length())));
    }

    /**
     * Puts an own item on the shelf under an id.
     *
     * @param id of an own item; see {@link #freeId}
     */
    public synchronized CatalogItem put(CatalogItem item, String id) {
        boolean board = item instanceof Board;
        Optional<? extends CatalogItem> there =
                board ? catalog().board(id) : catalog().part(id);
        int newest = newest(board, id);
        if (newest == 0 && items.owned() >= MOST_OWN) {
            throw new IllegalArgumentException(
                    "There are " + MOST_OWN + " own items already, which is the most. Nothing was saved.");
        }
        var tree = CatalogWriter.tree(item);
        tree.put("id", id);
        if (there.isPresent()) {
            tree.put("version", there.get().version());
            if (CatalogWriter.tree(there.get()).equals(tree)) {
                return there.get();
            }
        }
        int version = newest == 0 ? item.version() : Math.max(newest + 1, item.version());
        tree.put("version", version);
        String text = CatalogWriter.text(tree);
        CatalogItem saved = board ? reader.board(id, text) : reader.part(id, text);
        transactions.executeWithoutResult(t -> insert(board, id, version, true, text));
        load();
        return saved;
    }

    /** Takes an own item off the shelf, or puts it back. Plans that have it keep it. */
    public synchronized void offer(boolean board, String id, boolean offered) {
        Integer changed = transactions.execute(t -> items.offer(kind(board), id, !offered));
        if (changed == null || changed == 0) {
            throw new IllegalArgumentException("There is no own " + kind(board) + " '" + id + "'.");
        }
        load();
    }
}
