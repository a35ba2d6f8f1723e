package izzet.app.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.plan.PlanStore;
import izzet.core.plan.Plan;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;

/** Everything taken away and laid ready to come back, on the page. */
@SpringBootTest
@AutoConfigureMockMvc
@DirtiesContext
class BackupPagesTest {

    @TempDir
    private static Path data;

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    @DynamicPropertySource
    static void properties(DynamicPropertyRegistry registry) {
        registry.add("izzet.data", () -> data.toString());
    }

    private MockMultipartFile file(byte[] bytes) {
        return new MockMultipartFile("file", "izzet.zip", "application/zip", bytes);
    }

    @Test
    void aBackupIsTakenAndLaidReady() throws Exception {
        plans.create(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"), "started");
        byte[] zip = pages.perform(get("/backup/now"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        pages.perform(multipart("/backup/restore").file(file(zip)))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("holds 1 change of plans")));
        assertThat(data.resolve("restore.zip")).exists();
        pages.perform(post("/backup/unstage")).andExpect(status().is3xxRedirection());
        pages.perform(get("/backup")).andExpect(content().string(not(containsString("lies ready"))));
        assertThat(data.resolve("restore.zip")).doesNotExist();
    }

    @Test
    void whatIsNoBackupIsRefused() throws Exception {
        pages.perform(multipart("/backup/restore").file(file(new byte[] {1, 2, 3})))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("no backup of Izzet")));
        pages.perform(multipart("/backup/restore").file(file(new byte[0]))).andExpect(status().isBadRequest());
        pages.perform(get("/backup/kept/{name}", "..%2Fizzet.mv.db")).andExpect(status().is4xxClientError());
    }
}
