package izzet.app.news;

import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What happens to a plan, as it happens. */
@Controller
class NewsController {

    private final PlanNews news;

    NewsController(PlanNews news) {
        this.news = news;
    }

    @GetMapping(path = "/plans/{id}/news", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter news(@PathVariable long id) {
        return news.listen(id);
    }
}
