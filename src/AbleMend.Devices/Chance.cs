namespace AbleMend.Devices;

/// <summary>Chance from a seed, so that what was seen once can be seen again.</summary>
/// <param name="seed">Seed.</param>
internal sealed class Chance(int seed)
{
    private readonly Random _random = new(seed);

    /// <summary>A number about 0 with a spread of 1, normally distributed (Box and Muller 1958).</summary>
    public double Normal() => Math.Sqrt(-2 * Math.Log(1 - _random.NextDouble())) * Math.Cos(2 * Math.PI * _random.NextDouble());
}
