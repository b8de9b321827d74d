package ivesk.server.practice;

/// Where a request comes from.
///
/// @param device mark of the device, as its cookie holds it
public record From(String device, String browser, String address) {
  String deviceHash() {
    return Tokens.hash(device);
  }
}
