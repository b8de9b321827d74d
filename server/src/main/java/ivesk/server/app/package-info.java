/// What all rooms stand on: time, security, errors, JSON and OpenAPI, the web files.
package ivesk.server.app;
