package org.mapsel.standins.yard;

import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.xml.stream.XMLStreamException;
import org.apache.olingo.commons.api.edm.EdmBindingTarget;
import org.apache.olingo.commons.api.edm.provider.CsdlEdmProvider;
import org.apache.olingo.server.api.OData;
import org.apache.olingo.server.api.ODataHttpHandler;
import org.apache.olingo.server.api.ServiceMetadata;
import org.apache.olingo.server.api.etag.CustomETagSupport;
import org.apache.olingo.server.api.etag.ServiceMetadataETagSupport;
import org.apache.olingo.server.core.MetadataParser;
import org.mapsel.standins.Switches;
import org.springframework.boot.web.servlet.ServletRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;

/** Yard below {@code /yard/}. */
@Configuration
class YardConfiguration {

  private static final ClassPathResource METADATA = new ClassPathResource("yard/yard.xml");

  /** Whoever changes an entity must have seen its present state. */
  private static final class Guarded implements CustomETagSupport {

    @Override
    public boolean hasETag(EdmBindingTarget target) {
      return target.getName().equals("Cranes");
    }

    @Override
    public boolean hasMediaETag(EdmBindingTarget target) {
      return false;
    }
  }

  @Bean
  YardData yardData() {
    return new YardData();
  }

  @Bean
  ServletRegistrationBean<HttpServlet> yard(YardData data, Switches switches) throws IOException {
    CsdlEdmProvider edm = edm();
    HttpServlet servlet =
        new HttpServlet() {
          @Override
          protected void service(HttpServletRequest request, HttpServletResponse response)
              throws IOException {
            if ("/$metadata".equals(request.getPathInfo())) {
              // The library would leave the terms of annotations out.
              response.setContentType("application/xml");
              METADATA.getInputStream().transferTo(response.getOutputStream());
              return;
            }
            OData odata = OData.newInstance();
            ServiceMetadata metadata =
                odata.createServiceMetadata(edm, List.of(), (ServiceMetadataETagSupport) null);
            ODataHttpHandler handler = odata.createHandler(metadata);
            handler.register(new YardFilesProcessor(data, switches));
            handler.register(new YardBatchProcessor());
            handler.register(new Guarded());
            handler.process(request, response);
          }
        };
    ServletRegistrationBean<HttpServlet> registration =
        new ServletRegistrationBean<>(servlet, "/yard/*");
    registration.setName("yard");
    return registration;
  }

  private static CsdlEdmProvider edm() throws IOException {
    try (Reader reader = new InputStreamReader(METADATA.getInputStream(), StandardCharsets.UTF_8)) {
      return new MetadataParser().parseAnnotations(true).buildEdmProvider(reader);
    } catch (XMLStreamException e) {
      throw new IllegalStateException("The metadata of Yard is broken.", e);
    }
  }
}
