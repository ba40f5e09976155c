namespace AbleMend.Core.Gear;

/// <summary>One layer as the damage meets it.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Substance">What it is made of.</param>
/// <param name="TopMm">Depth of its outer face in millimetres.</param>
/// <param name="DepthIntoMm">How far the damage goes into it in millimetres; 0 when it is not reached.</param>
public sealed record ReachedLayer(Layer Layer, Substance Substance, double TopMm, double DepthIntoMm)
{
    /// <value>Whether the damage goes into this layer.</value>
    public bool Touched => DepthIntoMm > 0;

    /// <value>Whether the damage goes right through this layer.</value>
    public bool Through => DepthIntoMm >= Layer.ThicknessMm;
}

/// <summary>How far damage goes through the layers. Depth through the layers decides the method, more than size does.</summary>
public sealed class Reach
{
    private Reach(IReadOnlyList<ReachedLayer> layers) => Layers = layers;

    /// <value>All layers of the item at this place, outside in.</value>
    public IReadOnlyList<ReachedLayer> Layers { get; }

    /// <value>The layers that the damage goes into, outside in.</value>
    public IReadOnlyList<ReachedLayer> Touched => [.. Layers.Where(layer => layer.Touched)];

    /// <value>
    /// Whether it is a skin, with nothing solid under it: cloth, mesh, rubber, or the sheet of what is inflated. What is hurt there
    /// is hurt through or on the surface, and is seen from above.
    /// </value>
    public bool IsSkin =>
        Layers.Skip(1).All(layer => layer.Substance.Texture is Texture.Air or Texture.Threads || layer.Layer.Substance == Layers[0].Layer.Substance)
        && (Layers[0].Substance.Texture is Texture.Cloth or Texture.Rubber || (Layers.Count > 1 && Layers[0].Substance is { Texture: Texture.Sheet, Movement: not Movement.Rigid }));

    /// <value>Whether foam lies anywhere under the surface.</value>
    public bool HasFoam => Layers.Any(IsFoam);

    /// <value>The laminate that carries by itself, with no foam under it, where it is cut into: a thin hull or a shaft. Null elsewhere.</value>
    public ReachedLayer? BareLaminate => HasFoam ? null : Layers.FirstOrDefault(layer => layer.Touched && layer.Substance.Families.Contains("laminate"));

    /// <value>Whether any foam is open.</value>
    public bool FoamOpen => Layers.Any(layer => layer.Touched && IsFoam(layer));

    /// <value>Whether the fibre laminate on this face is broken.</value>
    public bool ClothBroken => Layers.Any(layer => layer.Touched && layer.Substance.Texture == Texture.Weave);

    /// <value>Depth of foam that is hurt, in millimetres.</value>
    public double FoamDepthMm => Layers.Where(IsFoam).Sum(layer => layer.DepthIntoMm);

    /// <value>Thickness in millimetres of the broken skin on this face, down to the foam or to the end of the damage.</value>
    public double SkinDepthMm => Layers.TakeWhile(layer => !IsFoam(layer)).Sum(layer => layer.DepthIntoMm);

    /// <summary>Works out which layers damage of a depth goes into.</summary>
    /// <param name="layers">Layers, outside in.</param>
    /// <param name="substances">Substances by identifier.</param>
    /// <param name="depthMm">Depth in millimetres, above 0, no more than the layers' sum.</param>
    public static Reach Into(IReadOnlyList<Layer> layers, IReadOnlyDictionary<string, Substance> substances, double depthMm)
    {
        Guard.Within(depthMm, 0, ThicknessMm(layers), nameof(depthMm));
        var top = 0.0;
        var reached = new List<ReachedLayer>(layers.Count);
        foreach (var layer in layers)
        {
            // Decimals that were added up are subtracted here: a layer that is cut right through has to say so.
            var into = Math.Clamp(Math.Round(depthMm - top, 6), 0, layer.ThicknessMm);
            reached.Add(new ReachedLayer(layer, substances[layer.Substance], top, into));
            top += layer.ThicknessMm;
        }

        return new Reach(reached);
    }

    /// <summary>Thickness of layers together in millimetres, to a millionth: a sum of decimals may not make a depth that was read off it too deep.</summary>
    public static double ThicknessMm(IReadOnlyList<Layer> layers) => Math.Round(layers.Sum(layer => layer.ThicknessMm), 6);

    private static bool IsFoam(ReachedLayer layer) => layer.Substance.Texture is Texture.Foam or Texture.Beads;
}
