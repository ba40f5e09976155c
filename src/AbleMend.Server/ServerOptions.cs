using System.ComponentModel.DataAnnotations;

namespace AbleMend.Server;

/// <summary>How the server is started. Checked before it serves.</summary>
public sealed class ServerOptions
{
    /// <summary>Name of the section.</summary>
    public const string Section = "AbleMend";

    /// <value>Port on 127.0.0.1, 1 to 65535; 5080 by default.</value>
    [Range(1, 65535, ErrorMessage = "The port lies from 1 to 65535.")]
    public int Port { get; set; } = 5080;

    /// <value>Port on 127.0.0.1 that instruments connect to, 1 to 65535; null for none.</value>
    [Range(1, 65535, ErrorMessage = "The port of the instruments lies from 1 to 65535.")]
    public int? Instruments { get; set; }

    /// <value>Path of the database file.</value>
    [Required(ErrorMessage = "The shop's file has no path.")]
    public string Database { get; set; } = "data/able-mend.db";

    /// <value>Whether a new database stays empty instead of getting the demo.</value>
    public bool Empty { get; set; }

    /// <value>Instant at which the shop's clock is started, for a demo or a test; null for the machine's own clock.</value>
    public DateTimeOffset? Clock { get; set; }

    /// <value>Path of a language file, from English templates to another language's; null for English.</value>
    public string? Language { get; set; }

    /// <value>Names under which the shop is reached besides this machine's own, one after another with semicolons; null for none.</value>
    public string? Hosts { get; set; }

    /// <value>Address of the proxy whose word on who asks, and how, is believed; null for none.</value>
    public string? Proxy { get; set; }

    /// <value>Folder that backups are kept in; null for none.</value>
    public string? Backups { get; set; }

    /// <value>Path of a backup that is brought back before anything is served; null for none.</value>
    public string? Restore { get; set; }

    /// <value>Largest request body in bytes, 1 kB to 10 MB; 1 MB by default.</value>
    [Range(1024, 10 * 1024 * 1024, ErrorMessage = "The largest body lies from 1 kB to 10 MB.")]
    public long LargestBodyBytes { get; set; } = 1024 * 1024;
}
