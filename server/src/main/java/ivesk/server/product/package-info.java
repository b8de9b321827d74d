/// The catalogue: everything that touches skin and is no peel, with its packs.
package ivesk.server.product;
