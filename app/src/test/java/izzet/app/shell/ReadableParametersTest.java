package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.PagesOfAPlan;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;

/** Fields that are no text, as only a real server reads them. */
@ExtendWith(OutputCaptureExtension.class)
class ReadableParametersTest extends PagesOfAPlan {

    ReadableParametersTest() {
        super(
                """
                {"format":"izzet-plan","version":1,"name":"Ash yard","board":"mcu-8bit-5v-14-6","parts":[],"buses":[],"connections":[]}
                """);
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder at(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    }

    @Test
    void whatIsNoTextIsToldAndLeavesNoTrace(CapturedOutput console) throws Exception {
        for (String field : List.of("%FF", "%C3%28")) {
            HttpResponse<String> page =
                    send(at("/plans/" + id + "/bring-up?scan=" + field).header("Accept", "text/html"));
            assertThat(page.statusCode()).as(field).isEqualTo(400);
            assertThat(page.body()).contains("A field of it is no text").contains("All plans");
            HttpResponse<String> form = send(at("/plans/" + id + "/bring-up/scan")
                    .header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(HttpRequest.BodyPublishers.ofString("place=0&scan=" + field)));
            assertThat(form.statusCode()).as(field).isEqualTo(400);
            assertThat(form.headers().firstValue("Content-Type").orElse("")).contains("problem+json");
        }
        assertThat(console.getAll()).doesNotContain("Exception").doesNotContain("\tat ");
        assertThat(send(at("/plans/" + id + "/bring-up?see=%C3%A4")).statusCode())
                .isEqualTo(200);
    }
}
