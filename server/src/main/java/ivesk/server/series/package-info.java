/// Series, scores and progress of a client over time.
package ivesk.server.series;
