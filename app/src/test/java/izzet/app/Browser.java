package izzet.app;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Debian's headless Chromium, driven for tests. */
public final class Browser implements AutoCloseable {

    /** One for all classes that a machine runs; each has contexts of its own. */
    private static final com.microsoft.playwright.Browser CHROMIUM = launched();

    /** Without windows it takes two thirds of the time; not everywhere is there one. */
    private static Path executable() {
        Path shell = Path.of("/usr/bin/chromium-headless-shell");
        return Files.exists(shell) ? shell : Path.of("/usr/bin/chromium");
    }

    private final List<BrowserContext> contexts = new ArrayList<>();

    private static com.microsoft.playwright.Browser launched() {
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        return playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(executable())
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    public Page page(int port, int width, int height, ColorScheme scheme) {
        BrowserContext context = CHROMIUM.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setBaseURL("http://127.0.0.1:" + port)
                .setViewportSize(width, height)
                .setHasTouch(width < 500)
                .setColorScheme(scheme));
        contexts.add(context);
        return context.newPage();
    }

    public Page page(int port) {
        return page(port, 1280, 800, ColorScheme.LIGHT);
    }

    @Override
    public void close() {
        contexts.forEach(BrowserContext::close);
    }
}
