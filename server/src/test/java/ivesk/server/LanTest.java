package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import ivesk.server.practice.PhoneAddress;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.net.Inet4Address;
import java.net.NetworkInterface;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.util.List;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLException;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/// The server as `./ivesk start --lan` runs it: over TLS, by the certificate that the command
/// makes.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LanTest {
  private ConfigurableApplicationContext running;
  private int port;
  private HttpClient trusting;
  private SSLContext trustingTls;
  private X509Certificate certificate;

  /// The command, as `start --lan` calls it.
  private static String certificate(Path folder) throws Exception {
    ProcessBuilder command =
        new ProcessBuilder("bash", "../ivesk", "certificate", "--data", folder.toString())
            .redirectErrorStream(true);
    command.environment().put("JAVA_HOME", System.getProperty("java.home"));
    Process made = command.start();
    String said = new String(made.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(made.waitFor()).as(said).isZero();
    return said;
  }

  private static String ciphers() throws IOException {
    return Files.readAllLines(Path.of("../ivesk")).stream()
        .filter(line -> line.startsWith("CIPHERS="))
        .map(line -> line.substring("CIPHERS=".length()))
        .findFirst()
        .orElseThrow();
  }

  private static X509Certificate certificateIn(Path folder) throws Exception {
    KeyStore store = KeyStore.getInstance("PKCS12");
    try (InputStream in = Files.newInputStream(folder.resolve("tls.p12"))) {
      store.load(in, Files.readString(folder.resolve("tls.password")).toCharArray());
    }
    return (X509Certificate) store.getCertificate("ivesk");
  }

  @BeforeAll
  void start(@TempDir Path folder) throws Exception {
    certificate(folder);
    Path store = folder.resolve("tls.p12");
    String password = Files.readString(folder.resolve("tls.password"));
    running =
        Practice.start(
            "demo",
            folder.resolve("data"),
            "--server.address=0.0.0.0",
            "--server.ssl.key-store=file:" + store,
            "--server.ssl.key-store-type=PKCS12",
            "--server.ssl.key-store-password=" + password,
            "--server.ssl.enabled-protocols=TLSv1.3,TLSv1.2",
            "--server.ssl.ciphers=" + ciphers());
    port = ((WebServerApplicationContext) running).getWebServer().getPort();
    certificate = certificateIn(folder);
    KeyStore one = KeyStore.getInstance("PKCS12");
    one.load(null, null);
    one.setCertificateEntry("ivesk", certificate);
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(one);
    SSLContext tls = SSLContext.getInstance("TLS");
    tls.init(null, trust.getTrustManagers(), null);
    trustingTls = tls;
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

  /// What browsers ask of a certificate: at most 398 days, for a server.
  @Test
  void theCertificateIsOneThatBrowsersTake() throws Exception {
    Duration holds =
        Duration.between(
            certificate.getNotBefore().toInstant(), certificate.getNotAfter().toInstant());
    assertThat(holds).isLessThan(Duration.ofDays(398));
    assertThat(certificate.getExtendedKeyUsage()).containsExactly("1.3.6.1.5.5.7.3.1");
    assertThat(certificate.getBasicConstraints()).as("no authority").isEqualTo(-1);
  }

  @Test
  void itIsMadeAnewWhenTheAddressesAreOthersAndOtherwiseKept(@TempDir Path folder)
      throws Exception {
    String first = certificate(folder);
    assertThat(first).containsPattern("SHA-256 is ([0-9A-F]{2}:){31}[0-9A-F]{2}");
    assertThat(certificate(folder)).isEqualTo(first);
    Files.writeString(folder.resolve("tls.names"), "dns:localhost,ip:192.0.2.7");
    assertThat(certificate(folder)).isNotEqualTo(first);
  }

  @Test
  void oneOfThePracticesOwnIsNeverTouched(@TempDir Path folder) throws Exception {
    Files.writeString(folder.resolve("tls.password"), "ledge-heron-quartz");
    Process made =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-genkeypair",
                "-alias",
                "ivesk",
                "-keyalg",
                "EC",
                "-validity",
                "5",
                "-dname",
                "CN=practice, O=Two Rooms",
                "-storetype",
                "PKCS12",
                "-keystore",
                folder.resolve("tls.p12").toString(),
                "-storepass:file",
                folder.resolve("tls.password").toString())
            .redirectErrorStream(true)
            .start();
    made.getInputStream().transferTo(java.io.OutputStream.nullOutputStream());
    assertThat(made.waitFor()).isZero();
    byte[] before = Files.readAllBytes(folder.resolve("tls.p12"));
    certificate(folder);
    assertThat(Files.readAllBytes(folder.resolve("tls.p12"))).isEqualTo(before);
  }

  @ParameterizedTest
  @CsvSource({
    "TLS_ECDHE_ECDSA_WITH_AES_256_GCM_SHA384, true",
    "TLS_ECDHE_ECDSA_WITH_AES_256_CBC_SHA384, false",
    "TLS_ECDHE_ECDSA_WITH_AES_128_CBC_SHA, false"
  })
  void onlyWhatIsGoodOfTlsIsSpoken(String suite, boolean spoken) throws Exception {
    try (SSLSocket socket =
        (SSLSocket) trustingTls.getSocketFactory().createSocket("localhost", port)) {
      socket.setEnabledProtocols(new String[] {"TLSv1.2"});
      socket.setEnabledCipherSuites(new String[] {suite});
      if (spoken) {
        socket.startHandshake();
        assertThat(socket.getSession().getCipherSuite()).isEqualTo(suite);
      } else {
        assertThatThrownBy(socket::startHandshake).isInstanceOf(SSLException.class);
      }
    }
  }

  /// A QR code names an address of the house, though the page was opened by "localhost".
  @Test
  void aPhoneReachesTheAddressOfACode() throws Exception {
    boolean house =
        NetworkInterface.networkInterfaces()
            .flatMap(NetworkInterface::inetAddresses)
            .anyMatch(one ->
                one instanceof Inet4Address
                    && !one.isLoopbackAddress()
                    && !one.isLinkLocalAddress());
    HttpServletRequest request = mock();
    when(request.getScheme()).thenReturn("https");
    when(request.getServerName()).thenReturn("127.0.0.1");
    when(request.getServerPort()).thenReturn(8740);
    when(request.getContextPath()).thenReturn("");
    RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
    String address = running.getBean(PhoneAddress.class).of("/handset", "abcdef");
    assertThat(address).endsWith(":8740/handset#abcdef");
    assertThat(address.contains("127.0.0.1")).isEqualTo(!house);
    when(request.getServerName()).thenReturn("practice.example");
    assertThat(running.getBean(PhoneAddress.class).of("/diary", "word"))
        .isEqualTo("https://practice.example:8740/diary#word");
    RequestContextHolder.resetRequestAttributes();
  }
}
