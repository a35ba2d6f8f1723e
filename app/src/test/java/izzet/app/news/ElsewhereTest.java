package izzet.app.news;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import izzet.app.plan.MeasurementStore;
import izzet.app.plan.PlanStore;
import izzet.app.plan.TickStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.springframework.beans.factory.annotation.Autowired;

/** What another program did on the same database reaches pages that are open here. */
class ElsewhereTest extends PagesOfAPlan {

    @Autowired
    private PlanNews news;

    @Autowired
    private TickStore ticks;

    ElsewhereTest() {
        super(A_SIGN);
    }

    /** The tick goes into the database and past the news, as another program's does. */
    @Test
    void aTickOfAnotherProgramIsSeen() {
        Page page = browser.page(port);
        page.waitForResponse(r -> r.url().endsWith("/news"), () -> page.navigate("/plans/" + id + "/wiring"));
        assertThat(page.locator("#ticked")).containsText("0 of ");
        news.look();
        ticks.set(id, "sign:SDA>board:A4", true);
        news.look();
        assertThat(page.locator("#ticked")).containsText("1 of ");
        page.context().close();
    }

    @Test
    void eachLookTellsWhatChangedSinceTheLastOne() {
        PlanStore store = Mockito.mock(PlanStore.class);
        TickStore done = Mockito.mock(TickStore.class);
        MeasurementStore measured = Mockito.mock(MeasurementStore.class);
        Mockito.when(store.head(7)).thenReturn(new PlanStore.Head(3, "a change"));
        Mockito.when(done.of(7)).thenReturn(Set.of("a", "b"));
        Mockito.when(measured.of(7)).thenReturn(Map.of());
        Elsewhere elsewhere = new Elsewhere(store, done, measured);
        List<String> told = new ArrayList<>();
        Runnable look = () -> elsewhere.look(
                Set.of(7L), plan -> told.add("edited " + plan), (plan, key) -> told.add("ticked " + key));
        look.run();
        Assertions.assertThat(told).isEmpty();
        Mockito.when(done.of(7)).thenReturn(Set.of("b", "c"));
        look.run();
        Assertions.assertThat(told).containsExactly("ticked a", "ticked c");
        Mockito.when(store.head(7)).thenReturn(new PlanStore.Head(4, "another"));
        look.run();
        look.run();
        Assertions.assertThat(told).containsExactly("ticked a", "ticked c", "edited 7");
    }
}
