package izzet.app.log;

import java.util.List;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.DefaultUrlSanitizer;
import org.commonmark.renderer.html.HtmlRenderer;
import org.springframework.stereotype.Component;

/** Text of entries as HTML that can do no harm: tags are shown as they were typed, links lead to the web only, pictures become links. */
@Component
class LogMarkdown {

    private final Parser parser = Parser.builder().build();
    private final HtmlRenderer renderer = HtmlRenderer.builder()
            .escapeHtml(true)
            .sanitizeUrls(true)
            .urlSanitizer(new DefaultUrlSanitizer(List.of("http", "https", "mailto")))
            .softbreak("<br>\n")
            .attributeProviderFactory(context -> (node, tag, attributes) -> {
                if (node instanceof Link) {
                    attributes.put("rel", "nofollow noopener noreferrer");
                }
            })
            .build();

    String html(String text) {
        Node document = parser.parse(text);
        document.accept(new AbstractVisitor() {
            @Override
            public void visit(Image image) {
                // Nothing is fetched from elsewhere when a page is read.
                Link link = new Link(image.getDestination(), image.getTitle());
                while (image.getFirstChild() != null) {
                    link.appendChild(image.getFirstChild());
                }
                image.insertBefore(link);
                image.unlink();
                visitChildren(link);
            }
        });
        return renderer.render(document);
    }
}
