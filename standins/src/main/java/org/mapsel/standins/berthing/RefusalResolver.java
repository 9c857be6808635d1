package org.mapsel.standins.berthing;

import java.util.Locale;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import org.springframework.core.Ordered;
import org.springframework.ws.context.MessageContext;
import org.springframework.ws.server.EndpointExceptionResolver;
import org.springframework.ws.soap.SoapBody;
import org.springframework.ws.soap.SoapFault;
import org.springframework.ws.soap.SoapMessage;
import org.w3c.dom.Element;

/** Refusals to typed faults; anything else to a plain one. */
class RefusalResolver implements EndpointExceptionResolver, Ordered {

  /** Before the library's own, which would drop the detail. */
  @Override
  public int getOrder() {
    return Ordered.HIGHEST_PRECEDENCE;
  }

  @Override
  public boolean resolveException(MessageContext context, Object endpoint, Exception thrown) {
    SoapBody body = ((SoapMessage) context.getResponse()).getSoapBody();
    String reason = String.valueOf(thrown.getMessage());
    if (!(thrown instanceof Refusal refusal)) {
      body.addServerOrReceiverFault(reason, Locale.ENGLISH);
      return true;
    }
    SoapFault fault = body.addClientOrSenderFault(reason, Locale.ENGLISH);
    Element detail = Xml.message(refusal.element());
    refusal.fields().forEach((name, value) -> Xml.text(detail, Xml.MESSAGES, name, value));
    try {
      TransformerFactory.newInstance()
          .newTransformer()
          .transform(new DOMSource(detail), fault.addFaultDetail().getResult());
    } catch (TransformerException e) {
      throw new IllegalStateException(e);
    }
    return true;
  }
}
