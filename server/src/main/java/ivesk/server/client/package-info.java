/// Who: clients and their charts.
package ivesk.server.client;
