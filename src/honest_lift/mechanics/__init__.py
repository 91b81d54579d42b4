"""The computation: plain arrays in, plain arrays out. It knows no engine, file or screen."""
