namespace Zymethos.Core.Devices;

/// <summary>What a thing in the kitchen measures. The names travel in formats and rows: they are added to, never changed.</summary>
public enum DeviceKind
{
    /// <summary>The air of an oven.</summary>
    Oven,

    /// <summary>The middle of food.</summary>
    Core,

    /// <summary>The air of the kitchen.</summary>
    Room,

    /// <summary>A kitchen scale.</summary>
    Scale,

    /// <summary>What an oven is set to; 0 for off.</summary>
    Dial,
}
