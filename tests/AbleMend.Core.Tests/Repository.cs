namespace AbleMend.Core.Tests;

/// <summary>Where the repository lies, found from where the tests run.</summary>
internal static class Repository
{
    public static string Root { get; } = Find(AppContext.BaseDirectory);

    private static string Find(string folder) =>
        File.Exists(Path.Combine(folder, "AbleMend.slnx")) ? folder : Find(Path.GetDirectoryName(folder) ?? throw new InvalidOperationException("not in the repository"));
}
