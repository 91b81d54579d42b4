"""The shim plan sheet."""
