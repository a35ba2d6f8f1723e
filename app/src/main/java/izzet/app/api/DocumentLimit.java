package izzet.app.api;

import izzet.app.files.LimitedStream;
import java.io.IOException;
import java.lang.reflect.Type;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/** Bodies of the API that are read whole are plan documents, and have a limit; records are streams and have their own. */
@ControllerAdvice
class DocumentLimit extends RequestBodyAdviceAdapter {

    /** In bytes; well above the most characters of a plan document. */
    static final long MOST = 8_000_000;

    @Override
    public boolean supports(
            MethodParameter parameter, Type target, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public HttpInputMessage beforeBodyRead(
            HttpInputMessage message,
            MethodParameter parameter,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter)
            throws IOException {
        LimitedStream body = new LimitedStream(
                message.getBody(), MOST, "A plan document has " + MOST + " bytes at most. Is this the right file?");
        return new HttpInputMessage() {
            @Override
            public java.io.InputStream getBody() {
                return body;
            }

            @Override
            public HttpHeaders getHeaders() {
                return message.getHeaders();
            }
        };
    }
}
