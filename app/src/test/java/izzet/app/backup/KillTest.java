package izzet.app.backup;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.IzzetApplication;
import izzet.app.OwnProcess;
import izzet.app.plan.PlanStore;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;

/** Killed in the middle of writing, the program has lost nothing that it acknowledged, and opens again. */
class KillTest {

    /** The benchmark asks for more. */
    private static final int ROUNDS = Integer.getInteger("izzet.kills", 12);

    private static final String STORED = "stored ";

    /** Renames a plan over and over and says each version once it is stored. The process that is killed. */
    static final class Writer {
        public static void main(String[] words) throws SQLException {
            Path data = Path.of(words[0]);
            String settings = ";DB_CLOSE_ON_EXIT=FALSE;WRITE_DELAY=0";
            new DataGuard(data, settings, Clock.systemUTC()).prepare();
            System.out.println("stored 0");
            PlanStore plans = new SpringApplicationBuilder(IzzetApplication.class)
                    .web(WebApplicationType.NONE)
                    .run(
                            "--izzet.data=" + data,
                            "--spring.datasource.url=jdbc:h2:file:" + data.resolve("izzet") + settings)
                    .getBean(PlanStore.class);
            long id = plans.list(0, 10).isEmpty()
                    ? plans.create(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"), "started")
                    : plans.list(0, 1000).get(0).id();
            for (long version = plans.get(id).version(); ; ) {
                version = plans.apply(id, version, new PlanEdit.Rename("Halt " + (version + 1)))
                        .version();
                System.out.println("stored " + version);
            }
        }
    }

    /** Two folders at once, since most of the time goes into starting. */
    @Test
    void nothingAcknowledgedIsLost(@TempDir Path one, @TempDir Path other) throws Exception {
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            Future<Long> first = both.submit(() -> rounds(one, new Random(7), (ROUNDS + 1) / 2));
            Future<Long> second = both.submit(() -> rounds(other, new Random(8), ROUNDS / 2));
            assertThat(first.get() + second.get()).isGreaterThan(20);
        } finally {
            both.shutdownNow();
        }
    }

    private static long rounds(Path data, Random random, int rounds)
            throws IOException, InterruptedException, SQLException {
        long acknowledged = 0;
        for (int round = 0; round < rounds; round++) {
            Process process = OwnProcess.of(Writer.class, List.of(), data.toString())
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            // Every fourth time while the folder is made ready, else in the middle of writing.
            int lines = round % 4 == 0 ? random.nextInt(2) : 2 + random.nextInt(40);
            try (BufferedReader out =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
                for (int line = 0; line < lines; ) {
                    String said = out.readLine();
                    assertThat(said).as("round %s", round).isNotNull();
                    if (said.startsWith(STORED)) {
                        acknowledged = Math.max(acknowledged, Long.parseLong(said.substring(STORED.length())));
                        line++;
                    }
                }
                // By its handle, so that what it still said can be read.
                process.toHandle().destroyForcibly();
                process.waitFor();
                for (String said = out.readLine(); said != null; said = out.readLine()) {
                    if (said.startsWith(STORED)) {
                        acknowledged = Math.max(acknowledged, Long.parseLong(said.substring(STORED.length())));
                    }
                }
            }
            assertThat(stored(data)).as("round %s", round).isGreaterThanOrEqualTo(acknowledged);
        }
        return acknowledged;
    }

    /** The version of the plan; every revision up to where it stands is there. 0 where there is none yet. */
    private static long stored(Path data) throws SQLException {
        if (!Files.exists(data.resolve("izzet.mv.db"))) {
            return 0;
        }
        try (Connection db = DriverManager.getConnection("jdbc:h2:file:" + data.resolve("izzet"), "sa", "");
                var rows = db.createStatement()
                        .executeQuery("select version, current_number, (select count(*) from plan_revision r"
                                + " where r.plan_id = p.id and r.number <= p.current_number) from plan p")) {
            if (!rows.next()) {
                return 0;
            }
            assertThat(rows.getInt(3)).isEqualTo(rows.getInt(2));
            return rows.getLong(1);
        }
    }
}
