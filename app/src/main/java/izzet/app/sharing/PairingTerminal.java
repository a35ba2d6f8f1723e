package izzet.app.sharing;

import java.io.PrintStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/** Tells keys where the program was started: only who sits there sees them. */
@Component
@ConditionalOnProperty("izzet.lan")
class PairingTerminal implements ApplicationListener<ApplicationReadyEvent> {

    private static final Duration BETWEEN = Duration.ofMinutes(1);

    private final PairingKey key;
    private final Environment environment;
    private final Clock clock;
    private final PrintStream out;
    private Instant last = Instant.MIN;

    @Autowired
    PairingTerminal(PairingKey key, Environment environment, Clock clock) {
        this(key, environment, clock, System.out);
    }

    PairingTerminal(PairingKey key, Environment environment, Clock clock, PrintStream out) {
        this.key = key;
        this.environment = environment;
        this.clock = clock;
        this.out = out;
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent event) {
        out.println("Izzet answers paired devices only. (Ctrl-C stops it)");
        addresses().forEach(a -> out.println("  " + a + "/"));
        tell();
    }

    /** Somebody stands before the door: shows a key where there is none any more. */
    synchronized void someoneAsks() {
        if (!key.there() && last.plus(BETWEEN).isBefore(clock.instant())) {
            out.println("A device asks to be paired.");
            tell();
        }
    }

    /** Tells that it worked. */
    void paired(String name) {
        out.println("Paired: " + name.replaceAll("\\p{Cntrl}", " ")
                + ". All devices stand under Devices; each can be ended there.");
    }

    private synchronized void tell() {
        last = clock.instant();
        String made = key.fresh();
        String link = addresses().get(0) + "/pair?key=" + made;
        if (System.console() != null) {
            out.print(new QrCode(link).terminal());
        }
        out.println("Pair one: " + link + "  (works once, for " + PairingKey.LIFE.toMinutes() + " minutes)");
    }

    /** Of this machine in the network, then this machine's own; without a path. */
    List<String> addresses() {
        String port = environment.getProperty("local.server.port", environment.getProperty("server.port", ""));
        String scheme = environment.getProperty("server.ssl.key-store", "").isEmpty() ? "http" : "https";
        List<String> hosts = new java.util.ArrayList<>(Addresses.own());
        hosts.add("127.0.0.1");
        return hosts.stream().map(h -> scheme + "://" + h + ":" + port).toList();
    }
}
