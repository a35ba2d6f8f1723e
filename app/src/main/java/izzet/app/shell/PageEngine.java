package izzet.app.shell;

import java.text.MessageFormat;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.context.MessageSource;
import org.springframework.context.MessageSourceResolvable;
import org.springframework.context.NoSuchMessageException;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.thymeleaf.processor.IProcessor;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.spring6.dialect.SpringStandardDialect;
import org.thymeleaf.standard.processor.StandardDOMEventAttributeTagProcessor;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ITemplateResolver;

/** What makes pages of templates, as small as our templates allow: every processor and every table of texts costs time at a start. */
@Configuration(proxyBeanMethods = false)
class PageEngine {

    @Bean
    SpringTemplateEngine templateEngine(ITemplateResolver templates) {
        SpringTemplateEngine engine = new SpringTemplateEngine();
        engine.setDialect(new HtmlDialect());
        engine.setTemplateResolver(templates);
        return engine;
    }

    /** Texts stand in the templates. The one that a context makes where there is none of its own looks through all locales of the machine. */
    @Bean
    MessageSource messageSource() {
        return new NoTexts();
    }

    /** HTML is all that our templates are, and the policy of the pages lets no code stand in an attribute. */
    static final class HtmlDialect extends SpringStandardDialect {

        HtmlDialect() {
            setJavaScriptSerializer((value, to) -> {
                throw new UnsupportedOperationException("no script is put together in a template");
            });
        }

        @Override
        public Set<IProcessor> getProcessors(String prefix) {
            return super.getProcessors(prefix).stream()
                    .filter(p -> p.getTemplateMode() == TemplateMode.HTML)
                    .filter(p -> !(p instanceof StandardDOMEventAttributeTagProcessor))
                    .collect(Collectors.toSet());
        }
    }

    /** Has no texts by code: says the default ones. */
    static final class NoTexts implements MessageSource {

        @Override
        public String getMessage(String code, Object[] with, String otherwise, Locale locale) {
            return otherwise == null || with == null || with.length == 0
                    ? otherwise
                    : new MessageFormat(otherwise, locale).format(with);
        }

        @Override
        public String getMessage(String code, Object[] with, Locale locale) {
            throw new NoSuchMessageException(code, locale);
        }

        @Override
        public String getMessage(MessageSourceResolvable asked, Locale locale) {
            String said = getMessage(null, asked.getArguments(), asked.getDefaultMessage(), locale);
            if (said == null) {
                String[] codes = asked.getCodes();
                throw new NoSuchMessageException(
                        codes == null || codes.length == 0 ? "" : codes[codes.length - 1], locale);
            }
            return said;
        }
    }
}
