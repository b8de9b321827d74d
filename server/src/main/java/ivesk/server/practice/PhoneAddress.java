package ivesk.server.practice;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/// Addresses of this server for a phone in the house. Who works at this machine itself opened a
/// page of it by "127.0.0.1", which on a phone is the phone.
@Component
public class PhoneAddress {
  private final boolean served;

  PhoneAddress(@Value("${server.address:127.0.0.1}") String bound) throws UnknownHostException {
    this.served = !InetAddress.getByName(bound).isLoopbackAddress();
  }

  /// @param path of the page
  /// @param word stands behind the `#`, which no server sees
  public String of(String path, String word) {
    ServletUriComponentsBuilder here = ServletUriComponentsBuilder.fromCurrentContextPath();
    if (served && loopback(here.build().getHost())) house().ifPresent(here::host);
    return here.path(path).toUriString() + "#" + word;
  }

  private static boolean loopback(String host) {
    try {
      return host.equalsIgnoreCase("localhost")
          || Character.isDigit(host.charAt(0)) && InetAddress.getByName(host).isLoopbackAddress();
    } catch (UnknownHostException e) {
      return false;
    }
  }

  /// The first address of this machine in the house.
  private static Optional<String> house() {
    try {
      return NetworkInterface.networkInterfaces()
          .filter(PhoneAddress::up)
          .flatMap(NetworkInterface::inetAddresses)
          .filter(Inet4Address.class::isInstance)
          .filter(address -> !address.isLoopbackAddress() && !address.isLinkLocalAddress())
          .map(InetAddress::getHostAddress)
          .findFirst();
    } catch (SocketException e) {
      return Optional.empty();
    }
  }

  private static boolean up(NetworkInterface one) {
    try {
      return one.isUp() && !one.isLoopback();
    } catch (SocketException e) {
      return false;
    }
  }
}
