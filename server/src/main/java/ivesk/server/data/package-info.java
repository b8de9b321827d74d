/// The practice's data as files: checked before each start, backed up, restored, moved.
package ivesk.server.data;
