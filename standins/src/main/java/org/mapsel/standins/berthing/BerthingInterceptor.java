package org.mapsel.standins.berthing;

import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMResult;
import org.mapsel.standins.RequestLog;
import org.mapsel.standins.Switches;
import org.springframework.stereotype.Component;
import org.springframework.ws.WebServiceMessage;
import org.springframework.ws.context.MessageContext;
import org.springframework.ws.server.EndpointInterceptor;
import org.springframework.ws.transport.context.TransportContextHolder;
import org.springframework.ws.transport.http.HttpServletConnection;
import org.w3c.dom.Document;

/** Tells the request log what was asked, and refuses everything when the switch says so. */
@Component
class BerthingInterceptor implements EndpointInterceptor {

  private final Switches switches;

  BerthingInterceptor(Switches switches) {
    this.switches = switches;
  }

  @Override
  public boolean handleRequest(MessageContext context, Object endpoint)
      throws TransformerException {
    WebServiceMessage request = context.getRequest();
    DOMResult tree = new DOMResult();
    TransformerFactory.newInstance().newTransformer().transform(request.getPayloadSource(), tree);
    var payload = ((Document) tree.getNode()).getDocumentElement();
    if (TransportContextHolder.getTransportContext().getConnection()
        instanceof HttpServletConnection connection) {
      connection
          .getHttpServletRequest()
          .setAttribute(RequestLog.WHAT, payload.getLocalName() + Xml.values(payload));
    }
    if (switches.is(Switches.Mode.FAULT)) {
      throw new IllegalStateException("The harbour office is closed for the night.");
    }
    return true;
  }

  @Override
  public boolean handleResponse(MessageContext context, Object endpoint) {
    return true;
  }

  @Override
  public boolean handleFault(MessageContext context, Object endpoint) {
    return true;
  }

  @Override
  public void afterCompletion(MessageContext context, Object endpoint, Exception failure) {}
}
