package org.mapsel.standins.yard;

import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.olingo.odata2.api.ODataService;
import org.apache.olingo.odata2.api.ODataServiceFactory;
import org.apache.olingo.odata2.api.commons.ODataHttpMethod;
import org.apache.olingo.odata2.api.ep.EntityProviderException;
import org.apache.olingo.odata2.api.exception.ODataException;
import org.apache.olingo.odata2.api.processor.ODataContext;
import org.apache.olingo.odata2.api.processor.ODataRequest;
import org.apache.olingo.odata2.api.processor.ODataResponse;
import org.apache.olingo.odata2.api.uri.PathSegment;
import org.apache.olingo.odata2.core.ODataContextImpl;
import org.apache.olingo.odata2.core.ODataPathSegmentImpl;
import org.apache.olingo.odata2.core.ODataRequestHandler;
import org.apache.olingo.odata2.core.PathInfoImpl;
import org.apache.olingo.odata2.core.edm.provider.EdmxProvider;
import org.mapsel.standins.Switches;
import org.springframework.boot.web.servlet.ServletRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;

/** The same yard below {@code /yard2/}, by version 2 of the protocol. */
@Configuration
class OldYardConfiguration {

  private static final String ROOT = "/yard2/";

  @Bean
  ServletRegistrationBean<HttpServlet> oldYard(YardData data, Switches switches)
      throws IOException {
    EdmxProvider edm = edm();
    ODataServiceFactory factory =
        new ODataServiceFactory() {
          @Override
          public ODataService createService(ODataContext context) {
            return createODataSingleProcessorService(edm, new OldYardProcessor(data, switches));
          }
        };
    HttpServlet servlet =
        new HttpServlet() {
          @Override
          protected void service(HttpServletRequest request, HttpServletResponse response)
              throws IOException {
            try {
              answer(factory, request, response);
            } catch (ODataException e) {
              throw new IOException(e);
            }
          }
        };
    ServletRegistrationBean<HttpServlet> registration =
        new ServletRegistrationBean<>(servlet, ROOT + "*");
    registration.setName("yard2");
    return registration;
  }

  private static EdmxProvider edm() throws IOException {
    try (InputStream metadata = new ClassPathResource("yard/yard2.xml").getInputStream()) {
      return new EdmxProvider().parse(metadata, false);
    } catch (EntityProviderException e) {
      throw new IllegalStateException("The metadata of the old yard is broken.", e);
    }
  }

  private static void answer(
      ODataServiceFactory factory, HttpServletRequest request, HttpServletResponse response)
      throws ODataException, IOException {
    ODataRequest asked = asked(request);
    ODataContextImpl context = new ODataContextImpl(asked, factory);
    ODataService service = factory.createService(context);
    context.setService(service);
    service.getProcessor().setContext(context);
    ODataResponse answer = new ODataRequestHandler(factory, service, context).handle(asked);
    response.setStatus(answer.getStatus().getStatusCode());
    for (String name : answer.getHeaderNames()) {
      response.setHeader(name, answer.getHeader(name));
    }
    Object entity = answer.getEntity();
    if (entity instanceof InputStream stream) {
      stream.transferTo(response.getOutputStream());
    } else if (entity != null) {
      response.getOutputStream().write(entity.toString().getBytes(StandardCharsets.UTF_8));
    }
  }

  private static ODataRequest asked(HttpServletRequest request) throws IOException {
    Map<String, List<String>> headers = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    for (String name : Collections.list(request.getHeaderNames())) {
      headers.put(name, Collections.list(request.getHeaders(name)));
    }
    Map<String, String> query = new HashMap<>();
    String text = request.getQueryString() == null ? "" : request.getQueryString();
    for (String pair : text.split("&")) {
      int at = pair.indexOf('=');
      if (at > 0) {
        query.put(decoded(pair.substring(0, at)), decoded(pair.substring(at + 1)));
      }
    }
    String address = request.getRequestURL().toString();
    PathInfoImpl path = new PathInfoImpl();
    path.setServiceRoot(URI.create(address.substring(0, address.indexOf(ROOT) + ROOT.length())));
    path.setRequestUri(URI.create(address + "?" + text));
    List<PathSegment> steps = new ArrayList<>();
    String inside = request.getRequestURI().substring(request.getRequestURI().indexOf(ROOT));
    for (String step : inside.substring(ROOT.length()).split("/", -1)) {
      steps.add(new ODataPathSegmentImpl(decoded(step), Map.of()));
    }
    path.setODataPathSegment(steps);
    String method = headers.getOrDefault("X-HTTP-Method", List.of(request.getMethod())).get(0);
    String accept = request.getHeader("Accept");
    var asked = ODataRequest.requestHeaders(headers);
    if (request.getContentType() != null) {
      asked.contentType(request.getContentType());
    }
    return asked
        .method(ODataHttpMethod.valueOf(method))
        .httpMethod(method)
        .pathInfo(path)
        .queryParameters(query)
        .acceptHeaders(accept == null ? List.of() : List.of(accept.split("\\s*,\\s*")))
        .acceptableLanguages(List.of(Locale.ENGLISH))
        .body(request.getInputStream())
        .build();
  }

  private static String decoded(String text) {
    return URLDecoder.decode(text.replace("+", "%2B"), StandardCharsets.UTF_8);
  }
}
