package org.mapsel.core.message;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.document.ValuesByName;

/**
 * Hides what a service repeats of the secrets that it was sent, before anything reads, keeps or
 * shows its answer: by value, wherever it stands, as it is, in base64 (also together with the user,
 * as RFC 7617 has it), and as addresses, JSON and XML write it. Cookies that a service gives (RFC
 * 6265, section 4.1) are hidden too.
 *
 * <p>Secrets of fewer than {@value #SHORTEST} characters are left as they are: hiding every "1234"
 * would make answers wrong and tell what the secret is.
 */
public final class EchoedSecrets {

  /** What stands in the place of a secret; letters of every charset, and allowed in addresses. */
  public static final String MASK = ValuesByName.MASK;

  private static final int SHORTEST = 6;

  /** Headers that say what is wanted, not who wants it (RFC 9110, sections 12.5 and 13.1). */
  private static final Pattern PLAIN =
      Pattern.compile("(?i)(accept|content|if|prefer|user-agent|cache-control|odata)(-.*)?");

  /** The longest first, so that none is left with only its middle hidden. */
  private final List<String> written;

  private EchoedSecrets(Set<String> written) {
    this.written =
        written.stream().sorted(Comparator.comparing(String::length).reversed()).toList();
  }

  /** Those that an endpoint is reached with. */
  public static EchoedSecrets of(Access access) {
    Set<String> written = new LinkedHashSet<>();
    switch (access.login()) {
      case Access.Login.Basic basic -> add(written, basic.user(), basic.password());
      case Access.Login.Digest digest -> add(written, digest.user(), digest.password());
      case Access.Login.Bearer bearer -> add(written, "", bearer.token());
      case Access.Login.ApiKey key -> add(written, "", key.key());
      case Access.Login.ClientCredentials client -> add(written, client.client(), client.secret());
      case Access.Login.None none -> {}
    }
    access.headers().stream()
        .filter(header -> !PLAIN.matcher(header.name()).matches())
        .forEach(header -> add(written, "", header.value()));
    access.security().ifPresent(token -> add(written, token.user(), token.password()));
    access.connection().proxy().ifPresent(proxy -> add(written, proxy.user(), proxy.password()));
    return new EchoedSecrets(written);
  }

  private static void add(Set<String> written, String user, Secret secret) {
    String text = secret.reveal();
    if (text.length() < SHORTEST || text.equals(Secret.hidden().reveal())) {
      return;
    }
    written.add(text);
    written.add(text.replace("\\", "\\\\").replace("\"", "\\\""));
    written.add(text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;"));
    String encoded = URLEncoder.encode(text, StandardCharsets.UTF_8);
    written.add(encoded);
    written.add(encoded.replace("+", "%20"));
    addInBase64(written, text);
    if (!user.isEmpty()) {
      addInBase64(written, user + ":" + text);
    }
  }

  private static void addInBase64(Set<String> written, String text) {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    written.add(Base64.getEncoder().withoutPadding().encodeToString(bytes));
    written.add(Base64.getUrlEncoder().withoutPadding().encodeToString(bytes));
  }

  /** The response with every secret hidden that it repeats. */
  public Response hiddenIn(Response response) {
    if (written.isEmpty() && response.header("Set-Cookie").isEmpty()) {
      return response;
    }
    Map<String, List<String>> headers = new LinkedHashMap<>();
    response
        .headers()
        .forEach(
            (name, values) ->
                headers.put(
                    name,
                    values.stream().map(value -> hiddenIn(withoutCookie(name, value))).toList()));
    return new Response(response.status(), headers, hiddenIn(response.body()));
  }

  /** The text with every secret hidden that stands in it. */
  public String hiddenIn(String text) {
    String hidden = text;
    for (String secret : written) {
      hidden = hidden.replace(secret, MASK);
    }
    return hidden;
  }

  /**
   * The bytes with every secret hidden that stands in them in UTF-8; the same where there is none.
   */
  public byte[] hiddenIn(byte[] body) {
    // One character for each byte: nothing else in it changes, whatever it is.
    String text = new String(body, StandardCharsets.ISO_8859_1);
    String hidden = text;
    for (String secret : written) {
      byte[] bytes = secret.getBytes(StandardCharsets.UTF_8);
      hidden = hidden.replace(new String(bytes, StandardCharsets.ISO_8859_1), MASK);
    }
    return hidden.equals(text) ? body : hidden.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static String withoutCookie(String header, String value) {
    return header.equalsIgnoreCase("Set-Cookie") ? value.replaceFirst("=[^;]*", "=" + MASK) : value;
  }
}
