package org.mapsel.standins.berthing;

import java.util.List;
import org.springframework.boot.web.servlet.ServletRegistrationBean;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.web.context.support.GenericWebApplicationContext;
import org.springframework.ws.config.annotation.EnableWs;
import org.springframework.ws.config.annotation.WsConfigurer;
import org.springframework.ws.server.EndpointExceptionResolver;
import org.springframework.ws.server.EndpointInterceptor;
import org.springframework.ws.soap.SoapVersion;
import org.springframework.ws.soap.saaj.SaajSoapMessageFactory;
import org.springframework.ws.soap.server.endpoint.interceptor.PayloadValidatingInterceptor;
import org.springframework.ws.transport.http.MessageDispatcherServlet;
import org.springframework.ws.wsdl.wsdl11.SimpleWsdl11Definition;
import org.springframework.xml.xsd.SimpleXsdSchema;

/** Berthing over both versions of SOAP: one dispatcher each, the same endpoint behind them. */
@EnableWs
@Configuration
class BerthingConfiguration implements WsConfigurer {

  private final BerthingInterceptor interceptor;

  BerthingConfiguration(BerthingInterceptor interceptor) {
    this.interceptor = interceptor;
  }

  @Override
  public void addInterceptors(List<EndpointInterceptor> interceptors) {
    interceptors.add(interceptor);
    interceptors.add(validation());
  }

  /** The server's own word on what we send and what it answers. */
  private static PayloadValidatingInterceptor validation() {
    PayloadValidatingInterceptor validation = new PayloadValidatingInterceptor();
    validation.setSchemas(
        new ClassPathResource("berthing/types.xsd"),
        new ClassPathResource("berthing/berthing.xsd"));
    validation.setValidateRequest(true);
    validation.setValidateResponse(true);
    try {
      validation.afterPropertiesSet();
    } catch (Exception e) {
      throw new IllegalStateException("The schemas of Berthing are broken.", e);
    }
    return validation;
  }

  /** The descriptions too: the path ends in berthing.wsdl, berthingSchema.xsd, typesSchema.xsd. */
  @Bean
  ServletRegistrationBean<MessageDispatcherServlet> berthingSoap11(ApplicationContext parent) {
    return dispatcher(parent, SoapVersion.SOAP_11, "berthing11", "/berthing/*");
  }

  @Bean
  ServletRegistrationBean<MessageDispatcherServlet> berthingSoap12(ApplicationContext parent) {
    return dispatcher(parent, SoapVersion.SOAP_12, "berthing12", "/berthing/soap12/*");
  }

  private static ServletRegistrationBean<MessageDispatcherServlet> dispatcher(
      ApplicationContext parent, SoapVersion version, String name, String path) {
    GenericWebApplicationContext context = new GenericWebApplicationContext();
    context.setParent(parent);
    context.registerBean(
        MessageDispatcherServlet.DEFAULT_MESSAGE_FACTORY_BEAN_NAME,
        SaajSoapMessageFactory.class,
        () -> {
          SaajSoapMessageFactory factory = new SaajSoapMessageFactory();
          factory.setSoapVersion(version);
          factory.afterPropertiesSet();
          return factory;
        });
    MessageDispatcherServlet servlet = new MessageDispatcherServlet(context);
    servlet.setTransformWsdlLocations(true);
    servlet.setTransformSchemaLocations(true);
    ServletRegistrationBean<MessageDispatcherServlet> registration =
        new ServletRegistrationBean<>(servlet, path);
    registration.setName(name);
    return registration;
  }

  @Bean
  SimpleWsdl11Definition berthing() {
    return new SimpleWsdl11Definition(new ClassPathResource("berthing/berthing.wsdl"));
  }

  @Bean
  SimpleXsdSchema berthingSchema() {
    return new SimpleXsdSchema(new ClassPathResource("berthing/berthing.xsd"));
  }

  @Bean
  SimpleXsdSchema typesSchema() {
    return new SimpleXsdSchema(new ClassPathResource("berthing/types.xsd"));
  }

  @Bean
  EndpointExceptionResolver refusals() {
    return new RefusalResolver();
  }
}
