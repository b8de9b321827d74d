package ivesk.server.app;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.util.Collections;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/// The first to see a request: it must be meant for this machine by name, and its body must end.
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class DoorFilter extends OncePerRequestFilter {
  /// The largest that is taken in: a table of a thousand bottles has a fifth of it.
  static final long MOST_BYTES = 2 << 20;

  /// The largest file of everything: it is read as it comes, by whoever may, and never held whole.
  private static final long MOST_OF_A_FILE = 16L << 30;

  private static final Set<String> FILES = Set.of("/api/archive", "/api/archive/preview");

  private final Set<String> names = new HashSet<>(Set.of("localhost", "127.0.0.1", "[::1]"));

  /// @param address that the server listens at; all of the machine's where it is no loopback
  /// @param hosts more names that it is called by, with commas between
  DoorFilter(
      @Value("${server.address:127.0.0.1}") String address,
      @Value("${ivesk.hosts:}") Set<String> hosts)
      throws IOException {
    hosts.forEach(host -> names.add(host.toLowerCase(Locale.ROOT)));
    if (InetAddress.getByName(address).isLoopbackAddress()) return;
    names.add(InetAddress.getLocalHost().getHostName().toLowerCase(Locale.ROOT));
    for (NetworkInterface card : Collections.list(NetworkInterface.getNetworkInterfaces())) {
      for (InetAddress own : Collections.list(card.getInetAddresses())) {
        String name = own.getHostAddress().replaceFirst("%.*", "");
        names.add(name.contains(":") ? "[" + name + "]" : name);
      }
    }
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain rest)
      throws ServletException, IOException {
    String host = request.getHeader("Host");
    String name = host == null ? "" : host.toLowerCase(Locale.ROOT).replaceFirst(":[0-9]+$", "");
    if (!names.contains(name)) {
      refuse(response, HttpServletResponse.SC_MISDIRECTED_REQUEST, "Ivesk has another address.");
      return;
    }
    long most = FILES.contains(request.getRequestURI()) ? MOST_OF_A_FILE : MOST_BYTES;
    if (request.getContentLengthLong() > most) {
      refuse(
          response,
          HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE,
          "This is larger than anything that Ivesk takes in. Nothing was kept.");
      return;
    }
    rest.doFilter(new Bounded(request, most), response);
  }

  private static void refuse(HttpServletResponse response, int status, String why)
      throws IOException {
    response.setStatus(status);
    response.setContentType("text/plain");
    response.getWriter().write(why);
  }

  /// A request whose body is read up to the limit and no further.
  private static final class Bounded extends HttpServletRequestWrapper {
    private final long most;

    Bounded(HttpServletRequest request, long most) {
      super(request);
      this.most = most;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      return new BoundedStream(super.getInputStream(), most);
    }
  }

  private static final class BoundedStream extends ServletInputStream {
    private final ServletInputStream body;
    private final long limit;
    private long read;

    BoundedStream(ServletInputStream body, long limit) {
      this.body = body;
      this.limit = limit;
    }

    @Override
    public int read() throws IOException {
      int one = body.read();
      if (one >= 0) count(1);
      return one;
    }

    @Override
    public int read(byte[] into, int from, int most) throws IOException {
      int some = body.read(into, from, most);
      if (some > 0) count(some);
      return some;
    }

    private void count(int bytes) throws IOException {
      read += bytes;
      if (read > limit) throw new IOException("the body is larger than " + limit);
    }

    @Override
    public boolean isFinished() {
      return body.isFinished();
    }

    @Override
    public boolean isReady() {
      return body.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      body.setReadListener(listener);
    }
  }
}
