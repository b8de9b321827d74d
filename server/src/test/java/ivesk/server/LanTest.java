package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.List;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/// The server as `./ivesk start --lan` runs it: over TLS, by the certificate that the command
/// makes.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LanTest {
  private static final String PASSWORD = "ledge-heron-quartz";

  private ConfigurableApplicationContext running;
  private int port;
  private HttpClient trusting;

  @BeforeAll
  void start(@TempDir Path folder) throws Exception {
    Path store = folder.resolve("tls.p12");
    Path password = Files.writeString(folder.resolve("tls.password"), PASSWORD);
    // As in `certificate` of the command;
    Process made =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-genkeypair",
                "-alias",
                "ivesk",
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                "3650",
                "-dname",
                "CN=practice, O=Ivesk",
                "-ext",
                "san=dns:localhost,ip:127.0.0.1",
                "-storetype",
                "PKCS12",
                "-keystore",
                store.toString(),
                "-storepass:file",
                password.toString())
            .redirectErrorStream(true)
            .start();
    made.getInputStream().transferTo(java.io.OutputStream.nullOutputStream());
    assertThat(made.waitFor()).isZero();
    running =
        Practice.start(
            "demo",
            folder.resolve("data"),
            "--server.address=0.0.0.0",
            "--server.ssl.key-store=file:" + store,
            "--server.ssl.key-store-type=PKCS12",
            "--server.ssl.key-store-password=" + PASSWORD);
    port = ((WebServerApplicationContext) running).getWebServer().getPort();
    KeyStore trusted = KeyStore.getInstance("PKCS12");
    try (InputStream in = Files.newInputStream(store)) {
      trusted.load(in, PASSWORD.toCharArray());
    }
    KeyStore one = KeyStore.getInstance("PKCS12");
    one.load(null, null);
    one.setCertificateEntry("ivesk", trusted.getCertificate("ivesk"));
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(one);
    SSLContext tls = SSLContext.getInstance("TLS");
    tls.init(null, trust.getTrustManagers(), null);
    trusting = HttpClient.newBuilder().sslContext(tls).build();
  }

  @AfterAll
  void stop() {
    running.close();
  }

  private HttpResponse<String> get(HttpClient client, String url)
      throws IOException, InterruptedException {
    return client.send(
        HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofString());
  }

  @Test
  void whoTrustsTheCertificateIsAnsweredAndToldToStayWithTls() throws Exception {
    HttpResponse<String> page = get(trusting, "https://localhost:" + port + "/");
    assertThat(page.statusCode()).isEqualTo(200);
    assertThat(page.sslSession().orElseThrow().getProtocol()).isIn("TLSv1.3", "TLSv1.2");
    assertThat(page.headers().firstValue("Strict-Transport-Security").orElseThrow())
        .startsWith("max-age=");
    HttpResponse<String> session = get(trusting, "https://localhost:" + port + "/api/session");
    List<String> cookies = session.headers().allValues("Set-Cookie");
    assertThat(cookies).isNotEmpty().allMatch(cookie -> cookie.contains("; Secure"));
  }

  @Test
  void whoDoesNotIsNotServed() {
    assertThatThrownBy(
            () -> get(HttpClient.newHttpClient(), "https://localhost:" + port + "/api/session"))
        .isInstanceOf(SSLHandshakeException.class);
  }

  @Test
  void withoutTlsNothingIsSaid() throws Exception {
    HttpResponse<String> answer =
        get(HttpClient.newHttpClient(), "http://localhost:" + port + "/api/session");
    assertThat(answer.statusCode()).isEqualTo(400);
    assertThat(answer.body()).doesNotContain("{");
  }
}
