/// Everything that touches skin and is no peel: what role it has, what is in it, how it is dosed,
/// where it must not go, and what it must not meet.
package ivesk.core.product;
