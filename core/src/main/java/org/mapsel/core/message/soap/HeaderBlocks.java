package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.Optional;
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

  void writeTo(XmlText out) {
    if (action.isPresent()) {
      out.start("wsa:Action");
      out.namespace("wsa", Soap.ADDRESSING);
      out.characters(action.get());
      out.end();
      addressing(out, "MessageID", "urn:uuid:" + stamp.id());
      addressing(out, "To", address);
    }
    if (security.isPresent()) {
      writeSecurity(out, security.get());
    }
  }

  private static void addressing(XmlText out, String name, String text) {
    out.start("wsa:" + name);
    out.namespace("wsa", Soap.ADDRESSING);
    out.characters(text);
    out.end();
  }

  private void writeSecurity(XmlText out, Access.Security token) {
    String created = stamp.now().truncatedTo(ChronoUnit.MILLIS).toString();
    out.start("wsse:Security");
    out.namespace("wsse", SECURITY);
    out.namespace("wsu", UTILITY);
    out.attribute("soap:mustUnderstand", "1");
    if (token.timestamp()) {
      out.start("wsu:Timestamp");
      text(out, "wsu", "Created", created);
      text(
          out, "wsu", "Expires", stamp.now().plus(VALID).truncatedTo(ChronoUnit.MILLIS).toString());
      out.end();
    }
    out.start("wsse:UsernameToken");
    text(out, "wsse", "Username", token.user());
    out.start("wsse:Password");
    out.attribute("Type", PROFILE + (token.digest() ? "PasswordDigest" : "PasswordText"));
    out.characters(token.digest() ? digest(token, created) : token.password().reveal());
    out.end();
    if (token.digest()) {
      out.start("wsse:Nonce");
      out.attribute("EncodingType", BASE64);
      out.characters(Base64.getEncoder().encodeToString(stamp.nonce()));
      out.end();
      text(out, "wsu", "Created", created);
    }
    out.end();
    out.end();
  }

  private static void text(XmlText out, String prefix, String name, String text) {
    out.start(prefix + ":" + name);
    out.characters(text);
    out.end();
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
