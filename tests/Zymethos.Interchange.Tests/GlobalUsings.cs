// Kitchens, recipes and random days that several suites share stand in tests/Shared.
global using Xunit;
global using Zymethos.Tests;
