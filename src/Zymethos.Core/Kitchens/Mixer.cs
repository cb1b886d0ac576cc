namespace Zymethos.Core.Kitchens;

/// <summary>A mixer of a kitchen.</summary>
/// <param name="Name">What it is called ("stand mixer", "hand mixer"); 1 to 40 characters.</param>
/// <param name="Litres">What its bowl holds to the brim, 1 to 40 litres.</param>
/// <param name="Kneads">Whether it can knead a bread dough; one that cannot is for batters, creams and cookie doughs.</param>
public sealed record Mixer(string Name, double Litres, bool Kneads);
