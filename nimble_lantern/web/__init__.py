"""The desk as a web application: pages are views of the one sitting, and carry no state."""
