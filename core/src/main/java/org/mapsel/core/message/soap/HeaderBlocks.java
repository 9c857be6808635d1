package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Secret;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.service.OperationWire;

/**
 * The header blocks that no description lists as fields: WS-Security (Web Services Security 1.1,
 * username token profile) and WS-Addressing 1.0 (core, section 3).
 */
final class HeaderBlocks {

  private static final String OASIS = "http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-";
  private static final String SECURITY = OASIS + "wssecurity-secext-1.0.xsd";
  private static final String UTILITY = OASIS + "wssecurity-utility-1.0.xsd";
  private static final String PROFILE = OASIS + "username-token-profile-1.0#";
  private static final String BASE64 = OASIS + "soap-message-security-1.0#Base64Binary";
  private static final Duration VALID = Duration.ofMinutes(5);

  private final Optional<Access.Security> security;
  private final Optional<String> action;
  private final String address;
  private final Stamp stamp;

  private HeaderBlocks(
      Optional<Access.Security> security, Optional<String> action, String address, Stamp stamp) {
    this.security = security;
    this.action = action;
    this.address = address;
    this.stamp = stamp;
  }

  static HeaderBlocks of(OperationWire.Soap wire, String address, Access access, Stamp stamp) {
    Optional<String> action =
        switch (access.addressing()) {
          case AS_DESCRIBED -> wire.addressing();
          case ALWAYS -> Optional.of(wire.addressing().orElse(wire.action()));
          case NEVER -> Optional.empty();
        };
    return new HeaderBlocks(access.security(), action, address, stamp);
  }

  boolean isEmpty() {
    return security.isEmpty() && action.isEmpty();
  }

  void writeTo(XMLStreamWriter out, String envelope) throws XMLStreamException {
    if (action.isPresent()) {
      out.writeStartElement("wsa", "Action", Soap.ADDRESSING);
      out.writeNamespace("wsa", Soap.ADDRESSING);
      out.writeCharacters(action.get());
      out.writeEndElement();
      addressing(out, "MessageID", "urn:uuid:" + stamp.id());
      addressing(out, "To", address);
    }
    if (security.isPresent()) {
      writeSecurity(out, envelope, security.get());
    }
  }

  private static void addressing(XMLStreamWriter out, String name, String text)
      throws XMLStreamException {
    out.writeStartElement("wsa", name, Soap.ADDRESSING);
    out.writeNamespace("wsa", Soap.ADDRESSING);
    out.writeCharacters(text);
    out.writeEndElement();
  }

  private void writeSecurity(XMLStreamWriter out, String envelope, Access.Security token)
      throws XMLStreamException {
    String created = stamp.now().truncatedTo(ChronoUnit.MILLIS).toString();
    out.writeStartElement("wsse", "Security", SECURITY);
    out.writeNamespace("wsse", SECURITY);
    out.writeNamespace("wsu", UTILITY);
    out.writeAttribute("soap", envelope, "mustUnderstand", "1");
    if (token.timestamp()) {
      out.writeStartElement("wsu", "Timestamp", UTILITY);
      text(out, "wsu", UTILITY, "Created", created);
      text(
          out,
          "wsu",
          UTILITY,
          "Expires",
          stamp.now().plus(VALID).truncatedTo(ChronoUnit.MILLIS).toString());
      out.writeEndElement();
    }
    out.writeStartElement("wsse", "UsernameToken", SECURITY);
    text(out, "wsse", SECURITY, "Username", token.user());
    out.writeStartElement("wsse", "Password", SECURITY);
    out.writeAttribute("Type", PROFILE + (token.digest() ? "PasswordDigest" : "PasswordText"));
    out.writeCharacters(token.digest() ? digest(token, created) : token.password().reveal());
    out.writeEndElement();
    if (token.digest()) {
      out.writeStartElement("wsse", "Nonce", SECURITY);
      out.writeAttribute("EncodingType", BASE64);
      out.writeCharacters(Base64.getEncoder().encodeToString(stamp.nonce()));
      out.writeEndElement();
      text(out, "wsu", UTILITY, "Created", created);
    }
    out.writeEndElement();
    out.writeEndElement();
  }

  private static void text(
      XMLStreamWriter out, String prefix, String namespace, String name, String text)
      throws XMLStreamException {
    out.writeStartElement(prefix, name, namespace);
    out.writeCharacters(text);
    out.writeEndElement();
  }

  /** Base64 of SHA-1 over nonce, time and password (username token profile, section 3.1). */
  private String digest(Access.Security token, String created) {
    if (token.password().reveal().equals(Secret.hidden().reveal())) {
      return Secret.hidden().reveal();
    }
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-1");
      digest.update(stamp.nonce());
      digest.update(created.getBytes(StandardCharsets.UTF_8));
      digest.update(token.password().reveal().getBytes(StandardCharsets.UTF_8));
      return Base64.getEncoder().encodeToString(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
