package org.mapsel.server.outgoing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.Certificate;
import java.security.cert.CertificateFactory;
import java.util.Collection;
import java.util.concurrent.TimeUnit;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import javax.net.ssl.X509TrustManager;
import org.apache.hc.client5.http.auth.AuthScope;
import org.apache.hc.client5.http.auth.UsernamePasswordCredentials;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.auth.BasicCredentialsProvider;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClientBuilder;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.client5.http.ssl.DefaultClientTlsStrategy;
import org.apache.hc.core5.http.HttpHost;
import org.apache.hc.core5.ssl.SSLContextBuilder;
import org.apache.hc.core5.util.TimeValue;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Access.Login;

/** Makes HTTP clients for the ways in which endpoints are reached. */
final class Clients {

  /** A connection that nobody used for so long is closed. */
  private static final TimeValue IDLE = TimeValue.ofSeconds(30);

  private Clients() {}

  /** A client that follows no redirect, keeps no cookie and tries nothing twice. */
  static Outcome<CloseableHttpClient> of(Access access, OutgoingSettings settings) {
    Outcome<SSLContext> tls = tls(access.connection());
    if (tls.value().isEmpty()) {
      return Outcome.failed(tls.findings());
    }
    HttpClientBuilder builder =
        HttpClientBuilder.create()
            .disableRedirectHandling()
            .disableAutomaticRetries()
            .disableCookieManagement()
            .disableDefaultUserAgent()
            .setDefaultRequestConfig(
                RequestConfig.custom()
                    .setResponseTimeout(settings.answerTimeout().toMillis(), TimeUnit.MILLISECONDS)
                    .build())
            .setConnectionManager(
                PoolingHttpClientConnectionManagerBuilder.create()
                    .setTlsSocketStrategy(new DefaultClientTlsStrategy(tls.get()))
                    .setDefaultConnectionConfig(
                        ConnectionConfig.custom()
                            // A connection that the far side has closed meanwhile is not used.
                            .setValidateAfterInactivity(TimeValue.ZERO_MILLISECONDS)
                            .setConnectTimeout(
                                settings.connectTimeout().toMillis(), TimeUnit.MILLISECONDS)
                            .build())
                    .setMaxConnPerRoute(settings.connectionsPerHost())
                    .setMaxConnTotal(settings.connectionsPerHost() * 100)
                    .build());
    if (access.equals(Access.NONE)) {
      // That one lives as long as the server; all others are closed when they were used.
      builder.evictExpiredConnections().evictIdleConnections(IDLE);
    }
    BasicCredentialsProvider credentials = new BasicCredentialsProvider();
    if (access.login() instanceof Login.Digest digest) {
      credentials.setCredentials(
          new AuthScope(null, -1),
          new UsernamePasswordCredentials(digest.user(), digest.password().reveal().toCharArray()));
    }
    access
        .connection()
        .proxy()
        .ifPresent(
            proxy -> {
              builder.setProxy(new HttpHost(proxy.host(), proxy.port()));
              if (!proxy.user().isEmpty()) {
                credentials.setCredentials(
                    new AuthScope(proxy.host(), proxy.port()),
                    new UsernamePasswordCredentials(
                        proxy.user(), proxy.password().reveal().toCharArray()));
              }
            });
    return Outcome.of(builder.setDefaultCredentialsProvider(credentials).build());
  }

  private static Outcome<SSLContext> tls(Access.Connection connection) {
    SSLContextBuilder builder = SSLContextBuilder.create();
    try {
      if (connection.certificate().isPresent()) {
        char[] password = connection.certificate().get().password().reveal().toCharArray();
        KeyStore keys = KeyStore.getInstance("PKCS12");
        keys.load(new ByteArrayInputStream(connection.certificate().get().file()), password);
        builder.loadKeyMaterial(keys, password);
      }
    } catch (GeneralSecurityException | IOException e) {
      return Outcome.failed(
          Finding.error("EXCHANGE_CERTIFICATE_INVALID", "reason", String.valueOf(e.getMessage())));
    }
    try {
      if (connection.trusted().isPresent()) {
        builder.loadTrustMaterial(trusted(connection.trusted().get()), null);
      }
      return Outcome.of(builder.build());
    } catch (GeneralSecurityException | IOException e) {
      return Outcome.failed(
          Finding.error("EXCHANGE_TRUST_INVALID", "reason", String.valueOf(e.getMessage())));
    }
  }

  /** The authorities that are given, besides those that are trusted anyway. */
  private static KeyStore trusted(String pem) throws GeneralSecurityException, IOException {
    KeyStore store = KeyStore.getInstance(KeyStore.getDefaultType());
    store.load(null, null);
    Collection<? extends Certificate> given =
        CertificateFactory.getInstance("X.509")
            .generateCertificates(
                new ByteArrayInputStream(pem.getBytes(StandardCharsets.US_ASCII)));
    if (given.isEmpty()) {
      throw new GeneralSecurityException("there is no certificate in it");
    }
    int number = 0;
    for (Certificate certificate : given) {
      store.setCertificateEntry("given" + number++, certificate);
    }
    TrustManagerFactory usual =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    usual.init((KeyStore) null);
    for (var manager : usual.getTrustManagers()) {
      if (manager instanceof X509TrustManager authorities) {
        for (Certificate certificate : authorities.getAcceptedIssuers()) {
          store.setCertificateEntry("usual" + number++, certificate);
        }
      }
    }
    return store;
  }
}
