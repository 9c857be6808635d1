package org.mapsel.server.secrets;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How an endpoint is reached, as it is given, kept and shown. A secret that is null when it is
 * given means the one that is kept already; when it is shown it is always null, and a flag tells
 * whether there is one.
 *
 * @param addressing asDescribed, always or never
 */
public record AccessForm(
    LoginForm login,
    List<HeaderForm> headers,
    @Nullable SecurityForm security,
    String addressing,
    @Nullable CertificateForm certificate,
    @Nullable String trusted,
    @Nullable ProxyForm proxy) {

  public AccessForm {
    headers = headers == null ? List.of() : List.copyOf(headers);
    login = login == null ? LoginForm.NOBODY : login;
    addressing = addressing == null ? "asDescribed" : addressing;
  }

  static final AccessForm NONE =
      new AccessForm(LoginForm.NOBODY, List.of(), null, "asDescribed", null, null, null);

  /**
   * @param kind none, basic, digest, bearer, apiKey or client
   * @param user the user, or the client that asks for tokens
   * @param name of the header or query parameter that holds a key
   * @param tokens the address that gives tokens to clients
   * @param scope what a token is asked for
   */
  public record LoginForm(
      String kind,
      @Nullable String user,
      @Nullable String name,
      boolean inQuery,
      @Nullable String tokens,
      @Nullable String scope,
      @Nullable String secret,
      boolean hasSecret) {
    public LoginForm {
      Objects.requireNonNull(kind);
    }

    static final LoginForm NOBODY =
        new LoginForm("none", null, null, false, null, null, null, false);
  }

  /** A further header. */
  public record HeaderForm(String name, @Nullable String value, boolean hasValue) {
    public HeaderForm {
      Objects.requireNonNull(name);
    }
  }

  /** The WS-Security header. */
  public record SecurityForm(
      String user,
      @Nullable String password,
      boolean hasPassword,
      boolean digest,
      boolean timestamp) {
    public SecurityForm {
      Objects.requireNonNull(user);
    }
  }

  /**
   * @param file a PKCS #12 file in base64
   */
  public record CertificateForm(
      @Nullable String file, @Nullable String password, boolean hasFile) {}

  /** A proxy, with a user where it wants one. */
  public record ProxyForm(
      String host,
      int port,
      @Nullable String user,
      @Nullable String password,
      boolean hasPassword) {
    public ProxyForm {
      Objects.requireNonNull(host);
    }
  }
}
